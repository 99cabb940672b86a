/** How is this done? Every operation of the book in its order, with its pictures, from any station. */
import { useState } from "react";
import { useQuery } from "@tanstack/react-query";
import { api, type Station, unwrap } from "../../api/client";
import { t } from "../../app/words";
import { Sketch } from "../../drawing/Sketch";
import { Modal } from "../../parts/Modal";
import { useSnapshot } from "../context";
import { Frames } from "./Frames";
import { usePictures } from "./usePictures";

export function HowDone({
  open,
  onOpenChange,
  station,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  station: Station;
}) {
  return (
    <Modal open={open} onOpenChange={onOpenChange} title={t("pictures.howIsThisDone")} wider>
      {open && <Operations station={station} />}
    </Modal>
  );
}

function Operations({ station }: { station: Station }) {
  const { job } = useSnapshot();
  const picturesOf = usePictures();
  const [chosen, setChosen] = useState<string | null>(null);
  const planned = useQuery({
    queryKey: ["operations", job.id, job.version],
    queryFn: async () =>
      unwrap(
        await api.POST("/api/plan", {
          params: { query: { station: "bench", kept: job.id } },
          body: job.spec,
        }),
      ),
  });
  if (planned.error) return <p role="alert">{planned.error.message}</p>;
  if (!planned.data) return <p>{t("common.oneMoment")}</p>;
  const operations = planned.data.operations.filter((each) => picturesOf(each.id).length > 0);
  const shown =
    operations.find((each) => each.id === chosen) ??
    operations.find((each) => each.station === station) ??
    operations[0];
  if (!shown) return <p>{t("pictures.nothingToDo")}</p>;
  return (
    <div className="grid gap-4 md:grid-cols-[15rem_1fr]">
      <ul className="max-h-40 overflow-y-auto md:max-h-[68vh]">
        {operations.map((each) => {
          const [first] = picturesOf(each.id);
          return (
            <li key={each.id}>
              <button
                type="button"
                aria-pressed={each.id === shown.id}
                className="flex w-full items-center gap-2 rounded p-1 text-left text-sm hover:bg-linen aria-pressed:bg-linen aria-pressed:font-semibold"
                onClick={() => setChosen(each.id)}
              >
                {first && <Sketch drawing={first} width={48} height={36} />}
                {each.title}
              </button>
            </li>
          );
        })}
      </ul>
      <div className="flex h-[68vh] flex-col">
        <h3 className="font-serif text-xl font-semibold">{shown.title}</h3>
        <p className="mb-2 text-sm text-faded">{shown.why}</p>
        <Frames key={shown.id} frames={picturesOf(shown.id)} operation={shown.id} />
      </div>
    </div>
  );
}
