/** The cutting room: choose the jobs to cut together, and the layouts made before. */
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, type CuttingRow, unwrap } from "../api/client";
import { Button, Tick } from "../parts/controls";
import { asUsual, useCuttings, useLayOut } from "./useCuttings";

const STATES: Record<CuttingRow["state"], string> = {
  waiting: "waiting",
  working: "being laid out",
  done: "laid out",
  failed: "could not be laid out",
  cancelled: "cancelled",
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
    document.title = "Cutting · Weald";
  }, []);
  const unfinished = jobs.data?.jobs.filter((job) => job.state !== "finished") ?? [];
  return (
    <main className="mx-auto grid w-full max-w-6xl gap-8 p-5 lg:grid-cols-2">
      <section aria-label="Jobs to cut">
        <h1 className="text-3xl font-semibold">Cutting</h1>
        <p className="mt-2 mb-3">
          Choose one job, or several to be cut together. Their pieces come from the stock chosen at
          each job's station Cutting.
        </p>
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
                aria-label={`Stock of ${job.title}`}
              >
                its stock
              </Link>
            </li>
          ))}
        </ul>
        {jobs.data && unfinished.length === 0 && (
          <p className="mt-2">
            There is no job to cut for. <Link to="/">Begin one on the desk.</Link>
          </p>
        )}
        <Button
          kind="main"
          className="mt-4"
          disabled={chosen.length === 0 || layOut.isPending}
          onClick={() => layOut.mutate(asUsual([...chosen]))}
        >
          {chosen.length > 1 ? `Lay out ${chosen.length} jobs together` : "Lay out the pieces"}
        </Button>
        {layOut.error && (
          <p role="alert" className="mt-2 text-madder">
            {layOut.error.message}
          </p>
        )}
      </section>
      <section aria-label="Layouts">
        <h2 className="mb-3 text-2xl font-semibold">Layouts</h2>
        {cuttings.data?.length === 0 && (
          <p className="rounded border border-rule bg-linen p-6">
            Nothing has been laid out yet. A layout shows each sheet with its pieces to scale, the
            order of cuts and the setting of each, and what is left over.
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
                {cutting.booked ? "cut, and booked" : STATES[cutting.state]}
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
