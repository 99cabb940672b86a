/** One item of stock, to be put on the shelf or changed. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ProblemError, type ShelfRow, unwrap } from "../api/client";
import { useChoices, useOptions, useWord } from "../app/choices";
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
  const choices = useChoices();
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
  const form = entry.form ?? "sheet";
  const countedIn = useWord("stock.counted_in", form);
  const flat = form === "sheet" || form === "skin" || form === "roll";
  const grades = choices?.grades.map(({ grade, label }) => [grade, label] as const) ?? [];
  const unplaced = Object.keys(fields).length === 0 && keep.error;
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={row ? row.item.name : "Put on the shelf"}
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
          <TextEntry {...props} id="name" label="Name" />
        </div>
        <Pick
          label="Kind"
          value={entry.kind ?? "paper"}
          options={kinds}
          onChange={(value) => set("kind", value)}
        />
        <Pick
          label="Comes as"
          value={form}
          options={forms}
          onChange={(value) => set("form", value)}
        />
        {form !== "pot" && <TextEntry {...props} id="width" label="Width" />}
        {(form === "sheet" || form === "skin") && (
          <TextEntry {...props} id="height" label="Height" />
        )}
        {flat && form !== "roll" && (
          <Pick
            label="Grain runs along"
            className="sm:col-span-2"
            value={entry.grain ?? ""}
            options={[
              ["", "nobody has tested it"],
              ["width", `its width${entry.width ? `, ${entry.width}` : ""}`],
              ["height", `its height${entry.height ? `, ${entry.height}` : ""}`],
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
            <legend className="px-1 text-sm text-faded">Weight and thickness: what you know</legend>
            <TextEntry {...props} id="grammage" label="Grammage, g/m²" />
            <TextEntry {...props} id="pounds" label="or pounds" error="basis.pounds" />
            <Pick
              label="of which grade"
              className="sm:col-span-2"
              value={entry.grade ?? "text"}
              options={grades}
              onChange={(value) => set("grade", value)}
            />
            <TextEntry {...props} id="calliper" label="One leaf, thickness" hint="0.12 or 80pt" />
            <TextEntry {...props} id="stack" label="or a stack of" error="stack.thickness" />
            <TextEntry {...props} id="leaves" label="leaves" error="stack.leaves" />
            <TextEntry {...props} id="bulk" label="or bulk, cm³/g" />
          </fieldset>
        )}
        <TextEntry {...props} id="colour" label="Colour" />
        <TextEntry {...props} id="place" label="Lies in" />
        <TextEntry
          {...props}
          id="price"
          label={`Price of one ${form === "sheet" ? "sheet" : form}`}
        />
        <TextEntry {...props} id="warn_below" label={`Warn at, ${countedIn}`} />
        {!row && <TextEntry {...props} id="count" label={`How much, ${countedIn}`} />}
        <div className="sm:col-span-3">
          <TextEntry {...props} id="note" label="Maker's note, or your own" />
        </div>
        {unplaced && (
          <p role="alert" className="text-madder sm:col-span-4">
            {keep.error?.message}
          </p>
        )}
        <div className="flex gap-2 sm:col-span-4">
          <Button kind="main" type="submit" disabled={keep.isPending}>
            {row ? "Keep the changes" : "Put on the shelf"}
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </form>
    </Modal>
  );
}
