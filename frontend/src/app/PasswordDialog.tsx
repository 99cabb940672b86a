/** One's password: another one, or the same once more to sign out everywhere else. */
import { t } from "./words";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, ProblemError, unwrap } from "../api/client";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { TextEntry } from "../parts/TextEntry";

const BLANK = { old: "", new: "" };

export function PasswordDialog({ onClose }: { onClose: () => void }) {
  const [entry, setEntry] = useState(BLANK);
  const change = useMutation({
    mutationFn: async (body: typeof BLANK) => {
      const { error, response } = await api.POST("/api/me/password", { body });
      if (error) unwrap({ error, response });
    },
    onSuccess: () => setEntry(BLANK),
  });
  const wrong = change.error instanceof ProblemError ? (change.error.problem.fields ?? {}) : {};
  const props = {
    entry,
    fields: wrong,
    set: (id: string, text: string) => setEntry((old) => ({ ...old, [id]: text })),
  };
  return (
    <Modal open onOpenChange={(open) => !open && onClose()} title={t("app.yourPassword")}>
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(entry);
        }}
      >
        <p className="text-sm text-faded">{t("app.everywhereElseYouAreSignedIn")}</p>
        <TextEntry
          {...props}
          id="old"
          label={t("app.yourPasswordNow")}
          password="current-password"
        />
        <TextEntry
          {...props}
          id="new"
          label={t("app.yourPasswordFromNowOn")}
          password="new-password"
        />
        <div className="flex items-center gap-3">
          <Button kind="main" type="submit" disabled={!entry.old || !entry.new || change.isPending}>
            {t("app.save")}
          </Button>
          <span role="status" className="text-sm">
            {change.isSuccess && t("app.savedYouStaySignedInHere")}
            {change.error && Object.keys(wrong).length === 0 && change.error.message}
          </span>
        </div>
      </form>
    </Modal>
  );
}
