/** One item of stock, to be put on the shelf or changed. */
import { t } from "../app/words";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ProblemError, type ShelfRow, type StockInput, unwrap } from "../api/client";
import { useOptions, useWord } from "../app/choices";
import { Button, Pick } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { type Entry, TextEntry } from "../parts/TextEntry";
import { bodyOf, entryOf } from "./useShelf";

export function ItemForm({
  row,
  draft,
  warning,
  onClose,
  onKept,
}: {
  row?: ShelfRow;
  draft?: Entry;
  warning?: string;
  onClose: () => void;
  onKept?: () => void;
}) {
  const queries = useQueryClient();
  const [entry, setEntry] = useState<Entry>(row ? entryOf(row) : (draft ?? {}));
  const kinds = useOptions("stock.kind");
  const forms = useOptions("stock.form");
  const keep = useMutation({
    mutationFn: async () =>
      row
        ? unwrap(
            await api.PUT("/api/shelf/{item_id}", {
              params: { path: { item_id: row.id } },
              // tests were made of the grain as it was; another grain by hand begins without them
              body: bodyOf(entry, entry.grain === (row.item.grain ?? "") ? row.item.tests : []),
            }),
          )
        : unwrap(await api.POST("/api/shelf", { body: bodyOf(entry) })),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ["shelf"] });
      onKept?.();
      onClose();
    },
  });
  const fields = keep.error instanceof ProblemError ? (keep.error.problem.fields ?? {}) : {};
  const set = (key: string, value: string) => setEntry((old) => ({ ...old, [key]: value }));
  const props = { entry, set, fields };
  const form = (entry.form ?? "sheet") as NonNullable<StockInput["form"]>;
  const countedIn = useWord("stock.counted_in", form);
  const flat = form === "sheet" || form === "skin" || form === "roll";
  const grades = useOptions("paper.basis.grade");
  const unplaced = Object.keys(fields).length === 0 && keep.error;
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={row ? row.item.name : t("shelf.putOnTheShelf")}
      wide
    >
      {warning && <p className="mb-3 text-amber">▲ {warning}</p>}
      <form
        className="grid gap-x-4 gap-y-3 sm:grid-cols-4"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate();
        }}
      >
        <div className="sm:col-span-2">
          <TextEntry {...props} id="name" label={t("common.name")} />
        </div>
        <Pick
          label={t("common.kind")}
          value={entry.kind ?? "paper"}
          options={kinds}
          onChange={(value) => set("kind", value)}
        />
        <Pick
          label={t("shelf.comesAs")}
          value={form}
          options={forms}
          onChange={(value) => set("form", value)}
        />
        {form !== "pot" && <TextEntry {...props} id="width" label={t("common.width")} />}
        {(form === "sheet" || form === "skin") && (
          <TextEntry {...props} id="height" label={t("common.height")} />
        )}
        {flat && form !== "roll" && (
          <Pick
            label={t("shelf.grainRunsAlong")}
            className="sm:col-span-2"
            value={entry.grain ?? ""}
            options={[
              ["", t("shelf.nobodyHasTestedIt")],
              ["width", t("shelf.itsWidthWhich", { which: entry.width ? `, ${entry.width}` : "" })],
              [
                "height",
                t("shelf.itsHeightWhich", { which: entry.height ? `, ${entry.height}` : "" }),
              ],
            ]}
            onChange={(value) => set("grain", value)}
          />
        )}
        {fields.grain && (
          <p role="alert" className="text-sm text-madder sm:col-span-4">
            {fields.grain}
          </p>
        )}
        {flat && (
          <fieldset className="grid gap-x-4 gap-y-3 rounded border border-rule p-3 sm:col-span-4 sm:grid-cols-4">
            <legend className="px-1 text-sm text-faded">
              {t("shelf.weightAndThicknessWhatYouKnow")}
            </legend>
            <TextEntry {...props} id="grammage" label={t("shelf.grammageGM")} />
            <TextEntry {...props} id="pounds" label={t("shelf.orPounds")} error="basis.pounds" />
            <Pick
              label={t("shelf.ofWhichGrade")}
              className="sm:col-span-2"
              value={entry.grade ?? "text"}
              options={grades}
              onChange={(value) => set("grade", value)}
            />
            <TextEntry
              {...props}
              id="calliper"
              label={t("shelf.oneLeafThickness")}
              hint={t("shelf.012Or80pt")}
            />
            <TextEntry
              {...props}
              id="stack"
              label={t("shelf.orAStackOf")}
              error="stack.thickness"
            />
            <TextEntry {...props} id="leaves" label={t("shelf.leaves")} error="stack.leaves" />
            <TextEntry {...props} id="bulk" label={t("shelf.orBulkCmG")} />
          </fieldset>
        )}
        <TextEntry {...props} id="colour" label={t("common.colour")} />
        <TextEntry {...props} id="place" label={t("shelf.liesIn")} />
        <TextEntry {...props} id="price" label={t("shelf.priceOfOne", { context: form })} />
        <TextEntry {...props} id="warn_below" label={t("shelf.warnAtCountedIn", { countedIn })} />
        {!row && (
          <TextEntry {...props} id="count" label={t("shelf.howMuchCountedIn", { countedIn })} />
        )}
        <div className="sm:col-span-3">
          <TextEntry {...props} id="note" label={t("shelf.makersNoteOrYourOwn")} />
        </div>
        {unplaced && (
          <p role="alert" className="text-madder sm:col-span-4">
            {keep.error?.message}
          </p>
        )}
        <div className="flex gap-2 sm:col-span-4">
          <Button kind="main" type="submit" disabled={keep.isPending}>
            {row ? t("common.saveTheChanges") : t("shelf.putOnTheShelf")}
          </Button>
          <Button onClick={onClose}>{t("shelf.leaveIt")}</Button>
        </div>
      </form>
    </Modal>
  );
}
