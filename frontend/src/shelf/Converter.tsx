/** Weights and thicknesses from one unit into another, each with its sum. */
import { t } from "../app/words";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type ConvertQuestion, unwrap } from "../api/client";
import { useOptions } from "../app/choices";
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
  const grades = useOptions<Grade>("paper.basis.grade");
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={t("shelf.weightsAndThicknesses")}
      wide
    >
      <div className="grid gap-3 sm:grid-cols-4">
        <TextEntry {...props} id="value" label={t("shelf.howMuch")} />
        <Pick label={t("shelf.of")} value={unit} options={units} onChange={setUnit} />
        {unit === "pounds" && (
          <Pick label={t("shelf.grade")} value={grade} options={grades} onChange={setGrade} />
        )}
        {unit === "stack" && (
          <TextEntry {...props} id="leaves" label={t("shelf.leavesInTheStack")} />
        )}
        <TextEntry {...props} id="bulk" label={t("common.bulkCmG")} />
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
      <p className="mt-3 text-sm text-faded">{t("shelf.poundsAreThoseOf500Sheets")}</p>
    </Modal>
  );
}
