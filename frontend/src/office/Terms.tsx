/** The terms of the workshop: money, rates, taxes, and its own words on quotations and bills. */
import { t } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { X } from "lucide-react";
import { api, type TermsInput, type TermsReply, unwrap } from "../api/client";
import { type Port } from "../app/drafts/store";
import { KeptHead } from "../app/drafts/KeptHead";
import { Beside, Meets } from "../app/drafts/Meets";
import { useKept } from "../app/drafts/useKept";
import { usePerson } from "../app/person";
import { asText } from "../job/paths";
import { Button, IconButton, Tick } from "../parts/controls";

const FIELD =
  "rounded border border-faded bg-sheet px-2 py-1 text-base text-ink aria-invalid:border-2 aria-invalid:border-madder";
const PORT: Port<TermsInput, TermsReply> = {
  write: async (draft, reply, chosen) =>
    unwrap(
      await api.PUT("/api/terms", {
        params: { query: { version: reply.version, ...chosen } },
        body: draft,
      }),
    ),
  draftOf: (reply) => reply.terms as TermsInput,
  versionOf: (reply) => reply.version,
  atVersion: (reply, version) => ({ ...reply, version }),
};

export function TermsForm() {
  const terms = useQuery({
    queryKey: ["terms"],
    queryFn: async () => unwrap(await api.GET("/api/terms")),
    staleTime: Infinity,
    gcTime: 0,
    retry: false,
  });
  if (terms.error && !terms.data) return <p className="text-faded">{terms.error.message}</p>;
  if (!terms.data) return <p>{t("common.oneMoment")}</p>;
  return <Form key={terms.data.version} opened={terms.data} />;
}

function Form({ opened }: { opened: TermsReply }) {
  const person = usePerson();
  const kept = useKept(opened, PORT, "terms", ["office"]);
  const { draft, errors, meets, beside, settle, seen, change } = kept;
  const owner = person.role === "owner";
  const field = (name: "currency" | "places" | "rate" | "margin" | "valid_days", label: string) => (
    <label className="text-sm text-faded">
      {label}
      <input
        className={`${FIELD} figures block w-28`}
        readOnly={!owner}
        aria-invalid={errors[name] ? true : undefined}
        value={asText(draft[name])}
        onChange={(event) => change({ [name]: event.target.value })}
      />
      {errors[name] && <span className="block text-madder">{errors[name]}</span>}
    </label>
  );
  const words = (name: "sender" | "quotation_words" | "bill_words" | "foot", label: string) => (
    <label className="block text-sm text-faded">
      {label}
      <textarea
        rows={2}
        readOnly={!owner}
        className={`${FIELD} block w-full`}
        value={draft[name]}
        onChange={(event) => change({ [name]: event.target.value })}
      />
    </label>
  );
  return (
    <section className="space-y-3">
      <KeptHead
        kept={kept}
        title={<h2 className="text-xl font-semibold">{t("office.terms")}</h2>}
        saving={t("office.saveTheseTerms")}
        changes={owner}
      />
      <Beside beside={beside} onSeen={seen} />
      <Meets meets={meets} onSettle={settle} />
      <div className="flex flex-wrap gap-3">
        {field("currency", t("office.currency"))}
        {field("places", t("office.placesAfterThePoint"))}
        {field("rate", t("office.anHour"))}
        {field("margin", t("office.marginPercent"))}
        {field("valid_days", t("office.quotationsAreValidDays"))}
      </div>
      <fieldset>
        <legend className="font-semibold">{t("office.hoursOfSomeWork")}</legend>
        <div className="flex flex-wrap gap-3">
          {opened.works.map(({ id, words: name }) => {
            const work = id as keyof NonNullable<TermsInput["rates"]>;
            const rates = draft.rates as Record<string, string | number>;
            return (
              <label key={id} className="w-52 text-sm text-faded">
                {name}
                <input
                  className={`${FIELD} figures block w-28`}
                  readOnly={!owner}
                  placeholder={asText(draft.rate)}
                  value={asText(rates[work] ?? "")}
                  onChange={(event) => {
                    const others = Object.fromEntries(
                      Object.entries(rates).filter(([name]) => name !== id),
                    );
                    const typed = event.target.value.trim();
                    change({ rates: typed ? { ...others, [id]: typed } : others });
                  }}
                />
              </label>
            );
          })}
        </div>
      </fieldset>
      <fieldset>
        <legend className="font-semibold">{t("office.hoursOfSomePeople")}</legend>
        <div className="flex flex-wrap gap-3">
          {opened.people_here.map((name) => {
            const rate = draft.people.find((each) => each.name === name)?.rate;
            return (
              <label key={name} className="w-52 text-sm text-faded">
                {name}
                <input
                  className={`${FIELD} figures block w-28`}
                  readOnly={!owner}
                  placeholder={t("office.asTheWork")}
                  value={asText(rate ?? "")}
                  onChange={(event) => {
                    const others = draft.people.filter((each) => each.name !== name);
                    const typed = event.target.value.trim();
                    change({ people: typed ? [...others, { name, rate: typed }] : others });
                  }}
                />
              </label>
            );
          })}
        </div>
      </fieldset>
      <Taxes draft={draft} owner={owner} errors={errors} onChange={change} />
      {words("sender", t("office.sender"))}
      {words("quotation_words", t("office.wordsOnAQuotation"))}
      {words("bill_words", t("office.wordsOnABill"))}
      {words("foot", t("office.underBoth"))}
      {owner && (
        <Tick checked={draft.binders_see} onChange={(binders_see) => change({ binders_see })}>
          {t("office.bindersSeePrices")}
        </Tick>
      )}
    </section>
  );
}

function Taxes({
  draft,
  owner,
  errors,
  onChange,
}: {
  draft: TermsInput;
  owner: boolean;
  errors: Record<string, string>;
  onChange: (part: Partial<TermsInput>) => void;
}) {
  const taxes = draft.taxes;
  return (
    <fieldset>
      <legend className="font-semibold">{t("office.taxes")}</legend>
      {taxes.map((tax, row) => (
        <div key={row} className="mb-1 flex items-center gap-2">
          <input
            aria-label={t("office.name")}
            className={`${FIELD} w-48`}
            readOnly={!owner}
            value={tax.name}
            onChange={(event) =>
              onChange({ taxes: taxes.with(row, { ...tax, name: event.target.value }) })
            }
          />
          <input
            aria-label={t("office.percent")}
            className={`${FIELD} figures w-20`}
            readOnly={!owner}
            value={asText(tax.percent)}
            onChange={(event) =>
              onChange({ taxes: taxes.with(row, { ...tax, percent: event.target.value }) })
            }
          />
          <span className="text-sm text-faded">%</span>
          {owner && (
            <IconButton
              label={t("office.remove")}
              onClick={() => onChange({ taxes: taxes.toSpliced(row, 1) })}
            >
              <X size={14} />
            </IconButton>
          )}
        </div>
      ))}
      {Object.entries(errors)
        .filter(([place]) => place.startsWith("taxes"))
        .map(([place, said]) => (
          <p key={place} className="text-madder">
            {said}
          </p>
        ))}
      {owner && (
        <Button
          kind="quiet"
          onClick={() => onChange({ taxes: [...taxes, { name: "", percent: "" }] })}
        >
          {t("office.addATax")}
        </Button>
      )}
      <p className="text-sm text-faded">{t("office.taxesAsYourLawHasThem")}</p>
    </fieldset>
  );
}
