/** What can be done with the shelf; lists follow. */
import { newKey } from "../app/newKey";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type ShelfRow, type StockInput, unwrap } from "../api/client";
import { asText } from "../job/paths";
import type { Entry } from "../parts/TextEntry";

export type ShelfVerb =
  | { verb: "duplicate" | "remove" | "restore"; item: ShelfRow }
  | { verb: "change"; item: ShelfRow; body: StockInput }
  | {
      verb: "count";
      item: ShelfRow;
      change: string;
      reason: CountReason;
      note: string;
      key: string;
    };

export type CountReason = "bought" | "counted" | "used" | "spoilt";

async function act(order: ShelfVerb) {
  const path = { item_id: order.item.id };
  switch (order.verb) {
    case "duplicate":
      return unwrap(await api.POST("/api/shelf/{item_id}/duplicate", { params: { path } }));
    case "restore":
      return unwrap(await api.POST("/api/shelf/{item_id}/restore", { params: { path } }));
    case "remove": {
      const { error, response } = await api.DELETE("/api/shelf/{item_id}", { params: { path } });
      if (error) unwrap({ error, response });
      return order.item;
    }
    case "change":
      return unwrap(await api.PUT("/api/shelf/{item_id}", { params: { path }, body: order.body }));
    case "count":
      return unwrap(
        await api.POST("/api/shelf/{item_id}/count", {
          params: { path },
          body: {
            change: order.change,
            reason: order.reason,
            note: order.note,
            key: order.key,
          },
        }),
      );
  }
}

export function useShelfVerb() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: act,
    onSettled: () => queries.invalidateQueries({ queryKey: ["shelf"] }),
  });
}

/** What takes a change back: the item, or its count, as it was before. */
export function undoing(before: ShelfRow, what: "change" | "count" | "remove"): ShelfVerb {
  if (what === "remove") return { verb: "restore", item: before };
  if (what === "change") {
    return { verb: "change", item: before, body: bodyOf(entryOf(before), before.item.tests) };
  }
  return {
    verb: "count",
    item: before,
    change: before.count_words.split(" ")[0] ?? "0",
    reason: "counted",
    note: "undone",
    key: newKey(),
  };
}

/** An item as its fields hold it. */
export function entryOf(row: ShelfRow): Entry {
  const { item, inputs } = row;
  return {
    kind: item.kind,
    form: item.form,
    name: item.name,
    colour: item.colour,
    note: item.note,
    place: item.place,
    grain: item.grain ?? "",
    width: inputs.width ?? "",
    height: inputs.height ?? "",
    grammage: asText(item.grammage),
    pounds: asText(item.basis?.pounds),
    grade: item.basis?.grade ?? "text",
    bulk: asText(item.bulk),
    calliper: inputs.calliper ?? "",
    leaves: asText(item.stack?.leaves),
    stack: inputs["stack.thickness"] ?? "",
    price: asText(item.price),
    warn_below: inputs.warn_below ?? "0",
  };
}

type Grade = NonNullable<StockInput["basis"]>["grade"];

/** The fields of an item as the server takes them; what is empty is left out. */
export function bodyOf(entry: Entry, tests: StockInput["tests"] = []): StockInput {
  const plain = ["kind", "form", "name", "colour", "note", "place", "grain", "width", "height"];
  const body: StockInput & Record<string, unknown> = { name: entry.name ?? "", tests };
  for (const key of [...plain, "grammage", "bulk", "calliper", "price", "warn_below", "count"]) {
    if (entry[key]) body[key] = entry[key];
  }
  if (entry.pounds) body.basis = { pounds: entry.pounds, grade: (entry.grade ?? "text") as Grade };
  if (entry.leaves || entry.stack)
    body.stack = { leaves: entry.leaves ?? "", thickness: entry.stack ?? "" };
  return body;
}
