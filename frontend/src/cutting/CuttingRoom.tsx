/** The cutting room: choose the jobs to cut together, and the layouts made before. */
import { t, type WordKey } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, type CuttingRow, unwrap } from "../api/client";
import { Button, Tick } from "../parts/controls";
import { asUsual, useCuttings, useLayOut } from "./useCuttings";

const STATES: Record<CuttingRow["state"], WordKey> = {
  waiting: "cutting.waiting",
  working: "cutting.beingLaidOut",
  done: "cutting.laidOut",
  failed: "cutting.couldNotBeLaidOut",
  cancelled: "common.cancelled",
};

export default function CuttingRoom() {
  const navigate = useNavigate();
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const jobs = useQuery({
    queryKey: ["jobs", "to cut"],
    queryFn: async () => unwrap(await api.GET("/api/jobs")),
  });
  const cuttings = useCuttings();
  const layOut = useLayOut((id) => void navigate(`/cutting/${id}`));
  useEffect(() => {
    document.title = t("cutting.cuttingWeald");
  }, []);
  const unfinished = jobs.data?.jobs.filter((job) => job.state !== "finished") ?? [];
  return (
    <main className="mx-auto grid w-full max-w-6xl gap-8 p-5 lg:grid-cols-2">
      <section aria-label={t("cutting.jobsToCut")}>
        <h1 className="text-3xl font-semibold">{t("common.cutting")}</h1>
        <p className="mt-2 mb-3">{t("cutting.chooseOneJobOrSeveralTo")}</p>
        <ul className="divide-y divide-rule border-y border-rule">
          {unfinished.map((job) => (
            <li key={job.id} className="flex items-center justify-between gap-3 py-1">
              <Tick
                checked={chosen.includes(job.id)}
                onChange={(checked) =>
                  setChosen((before) =>
                    checked ? [...before, job.id] : before.filter((each) => each !== job.id),
                  )
                }
              >
                {job.title}
              </Tick>
              <Link
                className="text-sm text-hill underline"
                to={`/jobs/${job.id}/cutting`}
                aria-label={t("cutting.stockOfTitle", { title: job.title })}
              >
                {t("cutting.itsStock")}
              </Link>
            </li>
          ))}
        </ul>
        {jobs.data && unfinished.length === 0 && (
          <p className="mt-2">
            {t("cutting.thereIsNoJobToCut")} <Link to="/">{t("cutting.beginOneOnTheDesk")}</Link>
          </p>
        )}
        <Button
          changes
          kind="main"
          className="mt-4"
          disabled={chosen.length === 0 || layOut.isPending}
          onClick={() => layOut.mutate(asUsual([...chosen]))}
        >
          {chosen.length > 1
            ? t("cutting.layOutLengthJobsTogether", { length: chosen.length })
            : t("cutting.layOutThePieces")}
        </Button>
        {layOut.error && (
          <p role="alert" className="mt-2 text-madder">
            {layOut.error.message}
          </p>
        )}
      </section>
      <section aria-label={t("cutting.layouts")}>
        <h2 className="mb-3 text-2xl font-semibold">{t("cutting.layouts")}</h2>
        {cuttings.data?.length === 0 && (
          <p className="rounded border border-rule bg-linen p-6">
            {t("cutting.nothingHasBeenLaidOutYet")}
          </p>
        )}
        <ul className="divide-y divide-rule">
          {cuttings.data?.map((cutting) => (
            <li key={cutting.id} className="py-2">
              <Link
                className="font-serif font-semibold text-hill hover:underline"
                to={`/cutting/${cutting.id}`}
              >
                {cutting.title}
              </Link>
              <p className="text-sm text-faded">
                {cutting.booked ? t("cutting.cutAndBooked") : t(STATES[cutting.state])}
                {cutting.state === "working" && `, ${cutting.done} %`};{" "}
                {new Date(cutting.asked).toLocaleString([], {
                  dateStyle: "medium",
                  timeStyle: "short",
                })}
                , {cutting.author}
              </p>
            </li>
          ))}
        </ul>
      </section>
    </main>
  );
}
