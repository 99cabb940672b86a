/** Counting an item up or down, with a reason; and every movement so far. */
import { newKey } from "../app/newKey";
import { t } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type ShelfRow, unwrap } from "../api/client";
import { useOptions, useWord } from "../app/choices";
import { Button, Pick } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { TextEntry } from "../parts/TextEntry";
import { type CountReason, useShelfVerb } from "./useShelf";

export function CountDialog({
  row,
  onClose,
  onCounted,
}: {
  row: ShelfRow;
  onClose: () => void;
  onCounted: () => void;
}) {
  const [entry, setEntry] = useState<Record<string, string>>({ change: "", note: "" });
  const [reason, setReason] = useState<CountReason>("bought");
  const [key] = useState(newKey);
  const countedIn = useWord("stock.counted_in", row.item.form);
  const reasons = useOptions<CountReason>("movement.reason");
  const verb = useShelfVerb();
  const movements = useQuery({
    queryKey: ["shelf", "movements", row.id],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/shelf/{item_id}/movements", {
          params: { path: { item_id: row.id } },
        }),
      ),
  });
  const props = {
    entry,
    set: (id: string, value: string) => setEntry((old) => ({ ...old, [id]: value })),
    fields: {},
  };
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={t("shelf.countName", { name: row.item.name })}
      wide
    >
      <p className="mb-3">
        {t("shelf.onTheShelf")} <strong>{row.count_words}</strong>
      </p>
      <form
        className="grid items-end gap-3 sm:grid-cols-[1fr_8rem_1fr_auto]"
        onSubmit={(event) => {
          event.preventDefault();
          verb.mutate(
            {
              verb: "count",
              item: row,
              change: entry.change ?? "",
              reason,
              note: entry.note ?? "",
              key,
            },
            {
              onSuccess: () => {
                onCounted();
                onClose();
              },
            },
          );
        }}
      >
        <Pick label={t("shelf.why")} value={reason} options={reasons} onChange={setReason} />
        <TextEntry {...props} id="change" label={t("shelf.howMuchCountedIn", { countedIn })} />
        <TextEntry {...props} id="note" label={t("common.note")} />
        <Button kind="main" type="submit" disabled={verb.isPending || !entry.change}>
          {t("shelf.countIt")}
        </Button>
      </form>
      {verb.error && (
        <p role="alert" className="mt-2 text-madder">
          {verb.error.message}
        </p>
      )}
      <h3 className="mt-5 mb-1 text-lg font-semibold">{t("shelf.whatHasMoved")}</h3>
      <table className="figures w-full text-left text-sm">
        <tbody>
          {movements.data?.map((each, index) => (
            <tr key={index} className="border-b border-rule">
              <td className="py-1 pr-3 whitespace-nowrap">{each.change}</td>
              <td className="pr-3">{each.reason}</td>
              <td className="pr-3">{[each.job, each.note].filter(Boolean).join("; ")}</td>
              <td className="pr-3 text-faded">{each.author}</td>
              <td className="text-right whitespace-nowrap text-faded">
                {new Date(each.at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {movements.data?.length === 0 && (
        <p className="text-faded">{t("shelf.nothingHasMovedYet")}</p>
      )}
    </Modal>
  );
}
