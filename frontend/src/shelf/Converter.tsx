/** Weights and thicknesses from one unit into another, each with its sum. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type ConvertQuestion, unwrap } from "../api/client";
import { useChoices, useOptions } from "../app/choices";
import { Pick } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { TextEntry } from "../parts/TextEntry";

type Unit = ConvertQuestion["unit"];
type Grade = NonNullable<ConvertQuestion["grade"]>;

export function Converter({ onClose }: { onClose: () => void }) {
  const [unit, setUnit] = useState<Unit>("pounds");
  const [grade, setGrade] = useState<Grade>("text");
  const [entry, setEntry] = useState<Record<string, string>>({
    value: "80",
    bulk: "1.3",
    leaves: "100",
  });
  const choices = useChoices();
  const units = useOptions<Unit>("weight.unit");
  const value = Number(entry.value?.replace(",", "."));
  const bulk = Number(entry.bulk?.replace(",", "."));
  const leaves = Number(entry.leaves);
  const answers = useQuery({
    queryKey: ["convert", value, unit, grade, bulk, leaves],
    enabled: value > 0,
    queryFn: async () =>
      unwrap(
        await api.POST("/api/convert", {
          body: { value, unit, grade, bulk: bulk || null, leaves: leaves || 1 },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const props = {
    entry,
    set: (id: string, text: string) => setEntry((old) => ({ ...old, [id]: text })),
    fields: {},
  };
  const grades = choices?.grades.map((each) => [each.grade as Grade, each.label] as const) ?? [];
  return (
    <Modal open onOpenChange={(open) => !open && onClose()} title="Weights and thicknesses" wide>
      <div className="grid gap-3 sm:grid-cols-4">
        <TextEntry {...props} id="value" label="How much" />
        <Pick label="of" value={unit} options={units} onChange={setUnit} />
        {unit === "pounds" && (
          <Pick label="Grade" value={grade} options={grades} onChange={setGrade} />
        )}
        {unit === "stack" && <TextEntry {...props} id="leaves" label="Leaves in the stack" />}
        <TextEntry {...props} id="bulk" label="Bulk, cm³/g" />
      </div>
      {answers.error && (
        <p role="alert" className="mt-2 text-madder">
          {answers.error.message}
        </p>
      )}
      <table className="figures mt-4 w-full text-left">
        <tbody>
          {answers.data?.map((answer) => (
            <tr key={answer.label} className="border-b border-rule">
              <th scope="row" className="py-1 pr-3 font-normal">
                {answer.label}
              </th>
              <td className="pr-3 font-semibold whitespace-nowrap">{answer.shown}</td>
              <td className="text-sm text-faded">{answer.sum}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-3 text-sm text-faded">
        Pounds are those of 500 sheets of a grade's basic size, so the same number is another weight
        for bond, text and cover. Bulk: coated 0.8–0.9, smooth 1.2–1.3, bulky 1.5–1.8.
      </p>
    </Modal>
  );
}
