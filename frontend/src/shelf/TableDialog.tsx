/** A table of stock: what it would do to the shelf, then done. */
import { t } from "../app/words";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useId, useState } from "react";
import { bring, howFar } from "../api/bring";
import type { components } from "../api/schema";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";

type Reply = components["schemas"]["TableReply"];

const EFFECTS = {
  add: "shelf.new",
  change: "shelf.changes",
  same: "shelf.asItIs",
  wrong: "shelf.cannotBeRead",
} as const;

const look = (file: File, onSent: (part: number) => void, query = "") =>
  bring<Reply>(`/api/shelf/table${query}`, file, { asForm: true, onSent });

export function TableDialog({ onClose }: { onClose: () => void }) {
  const id = useId();
  const queries = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [sent, setSent] = useState(0);
  const looked = useMutation({ mutationFn: (chosen: File) => look(chosen, setSent) });
  const take = useMutation({
    mutationFn: (chosen: File) => look(chosen, setSent, "?take=true&keep_good=true"),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["shelf"] }),
  });
  const rows = looked.data?.rows ?? [];
  const wrong = rows.filter((row) => row.effect === "wrong");
  const good = rows.filter((row) => row.effect === "add" || row.effect === "change").length;
  const error = looked.error ?? take.error;
  return (
    <Modal open onOpenChange={(open) => !open && onClose()} title={t("shelf.aTableIn")} wide>
      <p className="mb-3 text-sm">{t("shelf.aCSVFileWithAFirst")}</p>
      <label htmlFor={id} className="block text-sm text-faded">
        {t("shelf.table")}
      </label>
      <input
        id={id}
        type="file"
        accept=".csv,text/csv"
        className="mb-3"
        onChange={(event) => {
          const chosen = event.target.files?.[0] ?? null;
          setFile(chosen);
          take.reset();
          if (chosen) looked.mutate(chosen);
        }}
      />
      {(looked.isPending || take.isPending) && (
        <p role="status" className="figures mb-2 text-faded">
          {howFar(sent)}
        </p>
      )}
      {error && (
        <p role="alert" className="mb-2 text-madder">
          {error.message}
        </p>
      )}
      {rows.length > 0 && (
        <>
          <div className="max-h-[45vh] overflow-y-auto">
            <table className="figures w-full text-left text-sm">
              <thead>
                <tr className="border-b border-rule text-faded">
                  <th className="py-1 pr-3 font-normal">{t("shelf.line")}</th>
                  <th className="pr-3 font-normal">{t("shelf.item")}</th>
                  <th className="pr-3 font-normal">{t("shelf.wouldBe")}</th>
                  <th className="font-normal">{t("shelf.whyNot")}</th>
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => (
                  <tr key={row.line} className="border-b border-rule align-top">
                    <td className="py-1 pr-3">{row.line}</td>
                    <td className="pr-3">{row.name}</td>
                    <td className={row.effect === "wrong" ? "pr-3 text-madder" : "pr-3"}>
                      {t(EFFECTS[row.effect])}
                    </td>
                    <td className="text-madder">
                      {Object.entries(row.problems).map(([column, text]) => (
                        <span key={column} className="block">
                          {column}: {text}
                        </span>
                      ))}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <div className="mt-3 flex items-center gap-3">
            {take.isSuccess ? (
              <p role="status">
                {t("shelf.added")} {take.data.taken} {t("shelf.items")}
              </p>
            ) : (
              <Button
                kind="main"
                disabled={good === 0 || take.isPending}
                onClick={() => file && take.mutate(file)}
              >
                {wrong.length > 0
                  ? t("shelf.addTheGoodOnes", { good, length: wrong.length })
                  : t("shelf.addAllGood", { good })}
              </Button>
            )}
          </div>
        </>
      )}
    </Modal>
  );
}
