/** What is agreed about a job, what it costs beside what it came to, and its quotations and bills. */
import { t } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import {
  api,
  type Agreement,
  type BoughtThing,
  type Costing,
  type CostLine,
  type PaperRow,
  unwrap,
} from "../api/client";
import { Beside, Meets } from "../app/drafts/Meets";
import { KEPT_STATES } from "../app/drafts/states";
import { useKept } from "../app/drafts/useKept";
import { newKey } from "../app/newKey";
import { usePerson } from "../app/person";
import { ViewOnly } from "../app/ViewOnly";
import { asText } from "../job/paths";
import { Button, IconButton, Pick } from "../parts/controls";
import {
  agreementPort,
  useAgreement,
  useCosts,
  useCustomers,
  useMakePaper,
  usePapers,
} from "./useOffice";

const FIELD = "rounded border border-faded bg-sheet px-2 py-1 text-base text-ink";

export default function Costs() {
  const id = Number(useParams().jobId);
  const job = useQuery({
    queryKey: ["job", id, "title"],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}", { params: { path: { job_id: id } } })),
  });
  const agreement = useAgreement(id);
  const seen = agreement.data?.sees_prices ?? false;
  const costs = useCosts(id, seen);
  const papers = usePapers(id, seen);
  const title = job.data?.title ?? "";
  useEffect(() => {
    document.title = t("office.costsOfTitleWeald", { title });
  }, [title]);
  const error = job.error ?? agreement.error ?? costs.error;
  if (error)
    return (
      <main className="p-8" role="alert">
        {error.message}
      </main>
    );
  if (!job.data || !agreement.data) return <main className="p-8">{t("common.oneMoment")}</main>;
  return (
    <main className="mx-auto w-full max-w-6xl p-5">
      <div className="mb-4 flex flex-wrap items-baseline gap-3">
        <h1 className="text-3xl font-semibold">{t("office.whatItCosts")}</h1>
        <Link className="font-serif text-xl text-hill underline" to={`/jobs/${id}`}>
          {title}
        </Link>
      </div>
      <div className="grid gap-5 lg:grid-cols-[1fr_22rem]">
        <div>
          {!seen && <p className="text-faded">{t("office.pricesAreShownToOwners")}</p>}
          {seen && !costs.data && <p>{t("week.reckoning")}</p>}
          {costs.data && <Account costs={costs.data} />}
        </div>
        <div className="space-y-4">
          <Agreed key={id} job={id} opened={agreement.data} />
          {costs.data && papers.data && (
            <Papers
              key={startPrice(costs.data, agreement.data)}
              job={id}
              title={title}
              costs={costs.data}
              agreement={agreement.data}
              papers={papers.data}
            />
          )}
        </div>
      </div>
    </main>
  );
}

function Account({ costs }: { costs: Costing }) {
  const parts = [
    [t("office.materials"), costs.materials],
    [t("office.bought"), costs.bought],
    [t("office.work"), costs.work],
  ] as const;
  return (
    <>
      {costs.missing.length > 0 && (
        <ul className="mb-3 list-disc rounded border border-rule bg-linen py-2 pr-3 pl-7 text-sm">
          {costs.missing.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      <table className="w-full text-left text-sm">
        <thead className="text-faded">
          <tr>
            <th />
            <th className="text-right font-normal">
              {t("office.reckoned", { currency: costs.currency })}
            </th>
            <th className="text-right font-normal">
              {t("office.cameTo", { currency: costs.currency })}
            </th>
          </tr>
        </thead>
        {parts.map(([name, lines]) => (
          <Lines key={name} name={name} lines={lines} />
        ))}
        <tbody className="border-t-2 border-rule">
          {[...costs.sums, ...(costs.copies > 1 ? [costs.each] : [])].map((sum) => (
            <tr key={sum.label} className="border-b border-rule font-semibold">
              <td className="py-1">{sum.label}</td>
              <td className="figures text-right">{sum.planned}</td>
              <td className="figures text-right text-woad">{sum.found}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Lines({ name, lines }: { name: string; lines: readonly CostLine[] }) {
  return (
    <tbody>
      <tr>
        <th colSpan={3} scope="rowgroup" className="pt-3 pb-1 font-serif text-lg">
          {name}
        </th>
      </tr>
      {lines.length === 0 && (
        <tr>
          <td colSpan={3} className="text-faded">
            {t("office.nothingYet")}
          </td>
        </tr>
      )}
      {lines.map((line) => (
        <tr key={line.label} className="border-b border-rule align-top">
          <td className="py-1">{line.label}</td>
          <td className="text-right">
            <span className="figures">{line.planned ?? "—"}</span>
            <span className="block text-xs text-faded">{line.planned_words}</span>
          </td>
          <td className="text-right text-woad">
            <span className="figures">{line.found ?? "—"}</span>
            <span className="block text-xs text-faded">{line.found_words}</span>
          </td>
        </tr>
      ))}
    </tbody>
  );
}

function Agreed({ job, opened }: { job: number; opened: Agreement }) {
  const customers = useCustomers("");
  const reader = usePerson().role === "reader";
  const [port] = useState(() => agreementPort(job));
  const { draft, save, errors, meets, beside, settle, seen, change, keep } = useKept(
    opened,
    port,
    `agreement.${job}`,
    ["office"],
  );
  const names = [
    ["", t("office.nobody")] as const,
    ...(customers.data ?? []).map(({ id, name }) => [String(id), name] as const),
  ];
  const customer = String(draft.customer ?? "");
  return (
    <section className="rounded border border-rule bg-sheet p-3">
      <h2 className="text-lg font-semibold">{t("office.agreed")}</h2>
      <Meets meets={meets} onSettle={settle} />
      <Beside beside={beside} onSeen={seen} />
      <ViewOnly>
        <Pick
          label={t("office.customer")}
          value={names.some(([id]) => id === customer) ? customer : ""}
          options={names}
          onChange={(id) => change({ customer: id ? Number(id) : null })}
        />
        <Link className="inline-block py-1 text-sm text-hill underline" to="/office">
          {t("office.writeACustomerDown")}
        </Link>
        {opened.sees_prices && (
          <label className="mt-2 block text-sm text-faded">
            {t("office.priceAgreedWithoutTaxes")}
            <input
              className={`${FIELD} figures block w-32`}
              inputMode="decimal"
              value={draft.agreed}
              onChange={(event) => change({ agreed: event.target.value })}
            />
          </label>
        )}
        <label className="mt-2 block text-sm text-faded">
          {t("office.broughtIn")}
          <textarea
            className={`${FIELD} block w-full`}
            rows={3}
            value={draft.brought_in}
            onChange={(event) => change({ brought_in: event.target.value })}
          />
        </label>
        {opened.sees_prices && (
          <Things things={draft.things} onChange={(things) => change({ things })} />
        )}
      </ViewOnly>
      {Object.entries(errors).map(([place, words]) => (
        <p key={place} role="alert" className="text-sm text-madder">
          {place}: {words}
        </p>
      ))}
      {!reader && (
        <p className="mt-2 flex items-baseline gap-3">
          <Button
            kind="main"
            disabled={save === "saved" || save === "saving"}
            onClick={() => void keep()}
          >
            {t("office.save")}
          </Button>
          <span role="status" className="text-sm text-faded">
            {t(KEPT_STATES[save])}
          </span>
        </p>
      )}
    </section>
  );
}

function Things({
  things,
  onChange,
}: {
  things: readonly BoughtThing[];
  onChange: (things: readonly BoughtThing[]) => void;
}) {
  const put = (row: number, part: Partial<BoughtThing>) => {
    const before = things[row];
    if (before) onChange(things.with(row, { ...before, ...part }));
  };
  return (
    <fieldset className="mt-2 min-w-0">
      <legend className="text-sm text-faded">{t("office.boughtForIt")}</legend>
      {things.map((thing, row) => (
        <div key={row} className="mb-1 flex gap-1">
          <input
            aria-label={t("office.what")}
            className={`${FIELD} w-0 min-w-0 flex-1`}
            value={thing.label}
            onChange={(event) => put(row, { label: event.target.value })}
          />
          <input
            aria-label={t("office.howMany")}
            className={`${FIELD} figures w-14`}
            value={asText(thing.count ?? 1)}
            onChange={(event) => put(row, { count: event.target.value })}
          />
          <input
            aria-label={t("office.priceOfOne")}
            className={`${FIELD} figures w-20`}
            value={asText(thing.price)}
            onChange={(event) => put(row, { price: event.target.value })}
          />
          <IconButton label={t("office.remove")} onClick={() => onChange(things.toSpliced(row, 1))}>
            <X size={14} />
          </IconButton>
        </div>
      ))}
      <Button kind="quiet" onClick={() => onChange([...things, { label: "", price: "" }])}>
        {t("office.addSomethingBought")}
      </Button>
    </fieldset>
  );
}

/** The price a paper begins with: the one agreed, else what was reckoned. */
function startPrice(costs: Costing, agreement: Agreement): string {
  return asText(agreement.agreed ?? costs.net.planned);
}

function Papers({
  job,
  title,
  costs,
  agreement,
  papers,
}: {
  job: number;
  title: string;
  costs: Costing;
  agreement: Agreement;
  papers: readonly PaperRow[];
}) {
  const make = useMakePaper(job);
  const reader = usePerson().role === "reader";
  const [words, setWords] = useState(t("office.bindingOfTitle", { title }));
  const [price, setPrice] = useState(startPrice(costs, agreement));
  // an order keeps its key until it is answered, so that one sent twice makes one paper
  const key = useRef(newKey());
  const order = (kind: "quotation" | "bill") =>
    make.mutate(
      { kind, lines: [{ words, count: "1", price }], key: `${kind}-${key.current}` },
      { onSuccess: () => (key.current = newKey()) },
    );
  const left = costs.missing.length;
  return (
    <section className="rounded border border-rule bg-sheet p-3">
      <h2 className="text-lg font-semibold">{t("office.quotationsAndBills")}</h2>
      {!reader && (
        <>
          <label className="block text-sm text-faded">
            {t("office.forWhat")}
            <input
              className={`${FIELD} block w-full`}
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
          </label>
          <label className="block text-sm text-faded">
            {t("office.priceWithoutTaxes")}
            <input
              className={`${FIELD} figures block w-32`}
              inputMode="decimal"
              value={price}
              onChange={(event) => setPrice(event.target.value)}
            />
          </label>
          <div className="mt-2 flex gap-2">
            <Button disabled={make.isPending} onClick={() => order("quotation")}>
              {left
                ? t("office.makeAQuotationWithout", { count: left })
                : t("office.makeAQuotation")}
            </Button>
            <Button disabled={make.isPending} onClick={() => order("bill")}>
              {left ? t("office.makeABillWithout", { count: left }) : t("office.makeABill")}
            </Button>
          </div>
          {left > 0 && (
            <div className="mt-2 border-l-4 border-amber bg-linen px-3 py-1 text-sm">
              <p>{t("office.notInThisPrice")}</p>
              <ul className="list-disc pl-5">
                {costs.missing.map((missing) => (
                  <li key={missing}>{missing}</li>
                ))}
              </ul>
            </div>
          )}
        </>
      )}
      {make.error && (
        <p role="alert" className="mt-1 text-sm text-madder">
          {make.error.message}
        </p>
      )}
      <ul className="mt-2 divide-y divide-rule text-sm">
        {papers.map((paper) => (
          <li key={paper.id} className="py-1">
            <a
              className="text-hill underline"
              href={`/api/papers/${paper.id}.pdf`}
              target="_blank"
              rel="noreferrer"
            >
              {paper.kind === "bill"
                ? t("office.billNumber", { number: paper.number })
                : t("office.quotationNumber", { number: paper.number })}
            </a>{" "}
            <span className="text-faded">{paper.content.dated}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
