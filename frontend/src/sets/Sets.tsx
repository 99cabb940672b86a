/** The sets of the workshop, and how to begin one. */
import { t } from "../app/words";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useId, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, unwrap } from "../api/client";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { SearchField } from "../parts/SearchField";

export default function Sets() {
  const [search, setSearch] = useState("");
  const [beginning, setBeginning] = useState(false);
  const client = useQueryClient();
  const sets = useQuery({
    queryKey: ["sets", search],
    queryFn: async () => unwrap(await api.GET("/api/sets", { params: { query: { search } } })),
  });
  const drop = useMutation({
    mutationFn: async (id: number) =>
      unwrap(await api.DELETE("/api/sets/{set_id}", { params: { path: { set_id: id } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["sets"] }),
  });
  useEffect(() => {
    document.title = t("sets.setsWeald");
  }, []);
  return (
    <main className="mx-auto w-full max-w-5xl p-4">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="text-3xl font-semibold">{t("common.sets")}</h1>
        <Button changes kind="main" onClick={() => setBeginning(true)}>
          {t("sets.newSet")}
        </Button>
        <span className="ml-auto">
          <SearchField label={t("sets.searchSets")} value={search} onSearch={setSearch} />
        </span>
      </div>
      {sets.error && <p role="alert">{sets.error.message}</p>}
      {sets.data?.length === 0 && (
        <p className="max-w-prose">
          {search ? t("sets.noSetHasTheseWordsIn") : t("sets.aSetIsSeveralVolumesThat")}
        </p>
      )}
      <ul className="space-y-2">
        {sets.data?.map((each) => (
          <li
            key={each.id}
            className="flex flex-wrap items-center gap-3 rounded border border-rule bg-sheet px-3 py-2"
          >
            <Link className="font-serif text-lg text-hill underline" to={`/sets/${each.id}`}>
              {each.title}
            </Link>
            <span className="text-faded">
              {t("sets.volumesBegun", { count: each.volumes, begun: each.begun })}
            </span>
            <Button
              changes
              className="ml-auto text-sm"
              aria-label={t("sets.forgetTitle", { title: each.title })}
              onClick={() => {
                if (window.confirm(t("sets.forgetTheSetTitleTheJobs", { title: each.title })))
                  drop.mutate(each.id);
              }}
            >
              {t("sets.forget")}
            </Button>
          </li>
        ))}
      </ul>
      <Modal open={beginning} onOpenChange={setBeginning} title={t("sets.aNewSet")}>
        {beginning && <BeginSet />}
      </Modal>
    </main>
  );
}

function BeginSet() {
  const navigate = useNavigate();
  const id = useId();
  const [title, setTitle] = useState("");
  const [job, setJob] = useState("");
  const jobs = useJobChoices();
  const begin = useMutation({
    mutationFn: async () =>
      unwrap(await api.POST("/api/sets", { body: { title, job: Number(job) } })),
    onSuccess: (made) => void navigate(`/sets/${made.id}`),
  });
  return (
    <form
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        begin.mutate();
      }}
    >
      <label htmlFor={`${id}title`} className="block text-sm text-faded">
        {t("sets.whatTheSetIsCalled")}
        <input
          id={`${id}title`}
          className="block w-full rounded border border-faded bg-sheet px-2 py-1 text-base text-ink"
          value={title}
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      <label htmlFor={`${id}job`} className="block text-sm text-faded">
        {t("sets.allVolumesAreLike")}
        <select
          id={`${id}job`}
          className="block w-full rounded border border-faded bg-sheet px-2 py-1 text-base text-ink"
          value={job}
          onChange={(event) => setJob(event.target.value)}
        >
          <option value="">{t("sets.chooseAJob")}</option>
          {jobs.map((each) => (
            <option key={each.id} value={each.id}>
              {each.title}, {each.structure_words}
            </option>
          ))}
        </select>
      </label>
      {begin.error && (
        <p role="alert" className="text-madder">
          {begin.error.message}
        </p>
      )}
      <Button kind="main" type="submit" disabled={!title.trim() || !job || begin.isPending}>
        {t("sets.beginTheSet")}
      </Button>
    </form>
  );
}

/** Jobs a set can be like: the newest. */
export function useJobChoices() {
  return (
    useQuery({
      queryKey: ["jobs", t("sets.forSets")],
      queryFn: async () =>
        unwrap(await api.GET("/api/jobs", { params: { query: { sort: "-updated" } } })),
    }).data?.jobs ?? []
  );
}
