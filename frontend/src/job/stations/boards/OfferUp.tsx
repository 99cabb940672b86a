/** The case offered up to its block: how much it is off, entered as found, and how to go on. */
import { t } from "../../../app/words";
import { Popover } from "radix-ui";
import { useId, useState } from "react";
import { api, type Offered, type OfferQuestion, ProblemError, unwrap } from "../../../api/client";
import { useOptions } from "../../../app/choices";
import { Button, Choice, Pick } from "../../../parts/controls";
import { useSession, useSnapshot } from "../../context";

type Found = OfferQuestion["found"];
type Board = NonNullable<OfferQuestion["board"]>;

export function OfferUp() {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button className="text-sm">{t("boards.offeredUp")}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          className="z-20 w-96 rounded border border-rule bg-sheet p-3 text-ink shadow-lg"
        >
          <AsFound onDone={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function AsFound({ onDone }: { onDone: () => void }) {
  const session = useSession();
  const { draft, plan } = useSnapshot();
  const everyFound = useOptions<Found>("offered.found");
  const id = useId();
  const [found, setFound] = useState<Found>("tall");
  const everyBoard = useOptions<Board>("offered.board");
  const [board, setBoard] = useState<Board>("both");
  const apart = found !== "spine" && plan?.asked.paths.includes("binding.squares.head") === true;
  const [way, setWay] = useState<"large" | "small">("large");
  const [by, setBy] = useState("");
  const [answers, setAnswers] = useState<readonly Offered[]>([]);
  const [error, setError] = useState("");

  async function ask() {
    try {
      const sign = way === "small" ? "-" : "";
      setAnswers(
        unwrap(
          await api.POST("/api/offered-up", {
            body: { job: draft, found, by: sign + by, board: apart ? board : "both" },
          }),
        ),
      );
      setError("");
    } catch (problem) {
      setAnswers([]);
      setError(problem instanceof ProblemError ? problem.problem.message : String(problem));
    }
  }

  return (
    <form
      className="space-y-2 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        void ask();
      }}
    >
      <p>{t("boards.layTheCaseRoundTheBlock")}</p>
      <Pick label={t("boards.doesNotFit")} value={found} options={everyFound} onChange={setFound} />
      {apart && (
        <Pick label={t("boards.which")} value={board} options={everyBoard} onChange={setBoard} />
      )}
      <Choice
        label={t("boards.tooLargeOrTooSmall")}
        value={way}
        options={[
          { value: "large", label: t("boards.tooLarge") },
          { value: "small", label: t("common.tooSmall") },
        ]}
        onChange={setWay}
      />
      <div className="flex items-end gap-2">
        <label htmlFor={id} className="text-faded">
          {t("common.by")}
          <input
            id={id}
            className="figures block w-24 rounded border border-faded bg-sheet px-2 py-1 text-base text-ink"
            value={by}
            placeholder="2"
            aria-invalid={error ? true : undefined}
            onChange={(event) => setBy(event.target.value)}
          />
        </label>
        <Button type="submit" disabled={!by.trim()}>
          {t("boards.howDoIGoOn")}
        </Button>
      </div>
      {error && (
        <p role="alert" className="text-madder">
          {error}
        </p>
      )}
      {answers.map((answer) => (
        <Button
          key={answer.words}
          className="block w-full"
          onClick={() => {
            session.apply(answer.patch);
            onDone();
          }}
        >
          {answer.words}
        </Button>
      ))}
    </form>
  );
}
