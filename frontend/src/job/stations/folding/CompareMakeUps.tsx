/** Ways to make the text up into signatures, side by side. */
import { useSay } from "../../../app/say";
import { useState } from "react";
import { api, type MakeUpChoice, unwrap } from "../../../api/client";
import { Button } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useSession } from "../../context";
import { useDraftQuery } from "../../useDraftQuery";

type Key = "best" | "sections" | "blanks" | "printed" | "creep" | "swell" | "stitches";

const COLUMNS: readonly (readonly [Key, string])[] = [
  ["sections", "{Signatures}"],
  ["blanks", "Blanks"],
  ["printed", "Sheets printed"],
  ["creep", "Creep"],
  ["swell", "Swell"],
  ["stitches", "Stitches"],
];

export function CompareMakeUps() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <div className="pt-[1.3rem]">
        <Button onClick={() => setOpen(true)}>Compare make-ups</Button>
      </div>
      <Modal open={open} onOpenChange={setOpen} title="Make-ups, side by side" wider>
        <Table onDone={() => setOpen(false)} />
      </Modal>
    </>
  );
}

function Table({ onDone }: { onDone: () => void }) {
  const say = useSay();
  const session = useSession();
  const [sort, setSort] = useState<Key>("best");
  const { data, error } = useDraftQuery("make-ups", async (body) =>
    unwrap(await api.POST("/api/make-ups", { body })),
  );
  if (error) return <p role="alert">{error.message}</p>;
  if (!data) return <p>Reckoning …</p>;
  if (data.length === 0) {
    return (
      <p>
        {say("Single leaves and strips are not sewn in {signatures}; choose a fold with a spine.")}
      </p>
    );
  }
  const rows = sort === "best" ? data : [...data].sort((one, two) => one[sort] - two[sort]);
  return (
    <div className="overflow-x-auto">
      <p className="mb-2 text-sm text-faded">
        The first is recommended: folios that suit the paper, swell a flat back takes, few blanks.
        Choose a heading to sort by it.
      </p>
      <table className="figures w-full text-left text-sm">
        <caption className="sr-only">Make-ups</caption>
        <thead>
          <tr className="border-b border-rule">
            <Heading id="best" title={say("{Signatures} of")} sort={sort} onSort={setSort} />
            {COLUMNS.map(([id, title]) => (
              <Heading key={id} id={id} title={say(title)} sort={sort} onSort={setSort} />
            ))}
            <th scope="col" className="font-normal text-faded">
              Why, or why not
            </th>
            <td />
          </tr>
        </thead>
        <tbody>
          {rows.map((choice) => (
            <Row
              key={choice.words}
              choice={choice}
              onChoose={() => {
                session.apply(choice.patch);
                onDone();
              }}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Heading({
  id,
  title,
  sort,
  onSort,
}: {
  id: Key;
  title: string;
  sort: Key;
  onSort: (key: Key) => void;
}) {
  return (
    <th scope="col" className="pr-3 font-normal" aria-sort={sort === id ? "ascending" : undefined}>
      <button
        type="button"
        className={`py-1 text-left text-hill underline-offset-2 hover:underline ${sort === id ? "font-semibold" : ""}`}
        onClick={() => onSort(id)}
      >
        {title}
        {sort === id && <span aria-hidden> ↓</span>}
      </button>
    </th>
  );
}

function Row({ choice, onChoose }: { choice: MakeUpChoice; onChoose: () => void }) {
  return (
    <tr
      className={`border-b border-rule align-top ${choice.recommended ? "bg-linen font-semibold" : ""}`}
    >
      <th scope="row" className="py-1.5 pr-3 font-semibold">
        {choice.words}
      </th>
      <td className="py-1.5 pr-3">{choice.sections}</td>
      <td className="py-1.5 pr-3">{choice.blanks}</td>
      <td className="py-1.5 pr-3 whitespace-nowrap">
        {choice.printed} <span className="text-faded">({choice.reams.toFixed(2)} reams)</span>
      </td>
      <td className="py-1.5 pr-3 whitespace-nowrap">{choice.creep_shown}</td>
      <td className="py-1.5 pr-3 whitespace-nowrap">
        {choice.swell_shown}{" "}
        <span className="text-faded">({Math.round(choice.swell_percent)} %)</span>
      </td>
      <td className="py-1.5 pr-3">{choice.stitches}</td>
      <td className="py-1.5 pr-3 font-normal">
        {choice.recommended && <strong>Recommended: </strong>}
        {choice.reason}
      </td>
      <td className="py-1">
        {choice.chosen ? (
          <span className="whitespace-nowrap text-faded">● chosen</span>
        ) : (
          <Button className="text-sm whitespace-nowrap" onClick={onChoose}>
            Take it
          </Button>
        )}
      </td>
    </tr>
  );
}
