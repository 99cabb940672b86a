import { t } from "../app/words";
import { useState } from "react";
import type { JobRow } from "../api/client";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";

export function Rename({
  job,
  onClose,
  onRename,
}: {
  job: JobRow;
  onClose: () => void;
  onRename: (title: string) => void;
}) {
  const [title, setTitle] = useState(job.title);
  return (
    <Modal open onOpenChange={onClose} title={t("desk.renameTheJob")}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!title.trim()) return;
          onRename(title.trim());
          onClose();
        }}
      >
        <label htmlFor="rename-title" className="block text-sm text-faded">
          {t("common.title")}
        </label>
        <input
          id="rename-title"
          required
          maxLength={200}
          className="w-full rounded border border-faded bg-sheet px-2 py-1.5"
          value={title}
          onChange={(event) => setTitle(event.target.value)}
        />
        <Button kind="main" type="submit" className="mt-4">
          {t("desk.rename")}
        </Button>
      </form>
    </Modal>
  );
}
