/** A picture of the work, from a tablet's camera or a file. */
import { useQueryClient } from "@tanstack/react-query";
import { Camera } from "lucide-react";
import { useRef, useState } from "react";
import { bring, howFar } from "../../../api/bring";
import type { RecordPicture } from "../../../api/client";
import { newKey } from "../../../app/newKey";
import { t } from "../../../app/words";
import { Button } from "../../../parts/controls";

export function AddPicture({ jobId, operation = "" }: { jobId: number; operation?: string }) {
  const queries = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState("");
  const take = async (file: File) => {
    setSaid(howFar(0));
    const query = new URLSearchParams({ key: newKey(), operation });
    try {
      await bring<RecordPicture>(`/api/jobs/${jobId}/pictures?${query.toString()}`, file, {
        onSent: (part) => setSaid(howFar(part)),
      });
      setSaid(t("record.saved"));
      await queries.invalidateQueries({ queryKey: ["record", jobId] });
    } catch (error) {
      setSaid(error instanceof Error ? error.message : "");
    }
  };
  return (
    <span>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void take(file);
          event.target.value = "";
        }}
      />
      <Button className="inline-flex items-center gap-1" onClick={() => input.current?.click()}>
        <Camera size={17} aria-hidden /> {t("record.picture")}
      </Button>
      {said && (
        <span role="status" className="ml-2 text-sm text-faded">
          {said}
        </span>
      )}
    </span>
  );
}
