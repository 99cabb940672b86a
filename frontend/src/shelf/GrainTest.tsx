/** Being walked through a grain test, and keeping what it found. */
import { t } from "../app/words";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type ShelfRow, unwrap } from "../api/client";
import { Sketch } from "../drawing/Sketch";
import { Button } from "../parts/controls";
import { GrainMark } from "../parts/GrainMark";
import { Modal } from "../parts/Modal";

export function GrainTest({ row, onClose }: { row: ShelfRow; onClose: () => void }) {
  const queries = useQueryClient();
  const [chosen, setChosen] = useState(0);
  const guides = useQuery({
    queryKey: ["guides", row.item.kind],
    queryFn: async () =>
      unwrap(await api.GET("/api/shelf/guides", { params: { query: { kind: row.item.kind } } })),
    staleTime: Infinity,
  });
  const record = useMutation({
    mutationFn: async ({ result }: { result: "width" | "height" }) =>
      unwrap(
        await api.POST("/api/shelf/{item_id}/grain", {
          params: { path: { item_id: row.id } },
          body: { method: guides.data?.[chosen]?.method ?? "bend", result },
        }),
      ),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ["shelf"] });
      onClose();
    },
  });
  const guide = guides.data?.[chosen];
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={t("shelf.grainOfName", { name: row.item.name })}
      wide
    >
      <div className="mb-3 flex flex-wrap gap-2">
        {guides.data?.map((each, index) => (
          <Button
            key={each.method}
            kind={index === chosen ? "main" : "plain"}
            onClick={() => setChosen(index)}
          >
            {each.title}
          </Button>
        ))}
      </div>
      {guide && (
        <>
          <div className="flex flex-wrap items-start gap-6">
            <div className="rounded border border-rule bg-sheet p-3">
              <Sketch drawing={guide.drawing} width={340} height={190} />
            </div>
            <ol className="min-w-60 flex-1 list-decimal space-y-2 pl-5">
              {guide.steps.map((step) => (
                <li key={step}>{step}</li>
              ))}
            </ol>
          </div>
          <p className="mt-4 mb-2">
            {t("shelf.withTheSheetBeforeYouWhich", {
              which: row.size
                ? t("shelf.sizeWidthAcross", { size: row.size })
                : t("shelf.widthAcross"),
            })}
          </p>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => record.mutate({ result: "height" })} disabled={record.isPending}>
              <GrainMark grain="height" /> {t("shelf.alongGrainUpright", { along: guide.along })}
            </Button>
            <Button onClick={() => record.mutate({ result: "width" })} disabled={record.isPending}>
              <GrainMark grain="width" />{" "}
              {t("shelf.crosswiseGrainLevel", { crosswise: guide.crosswise })}
            </Button>
          </div>
        </>
      )}
      {record.error && (
        <p role="alert" className="mt-2 text-madder">
          {record.error.message}
        </p>
      )}
      {row.item.tests.length > 0 && (
        <>
          <h3 className="mt-5 mb-1 text-lg font-semibold">{t("shelf.testedBefore")}</h3>
          <ul className="text-sm">
            {row.item.tests.toReversed().map((test, index) => (
              <li key={index}>
                {t("shelf.dayMethodAlongItsResult", {
                  day: test.day,
                  method: test.method,
                  result: test.result,
                })}
                {test.by && <span className="text-faded">, {test.by}</span>}
              </li>
            ))}
          </ul>
        </>
      )}
    </Modal>
  );
}
