/** The office: customers with their jobs, and the terms the workshop works by. */
import { t } from "../app/words";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import type { CustomerRow } from "../api/client";
import { usePerson } from "../app/person";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { SearchField } from "../parts/SearchField";
import { TermsForm } from "./Terms";
import { useCustomers, useErase, useSaveCustomer } from "./useOffice";

const FIELD = "block w-full rounded border border-faded bg-sheet px-2 py-1 text-base text-ink";
type Editing = Pick<CustomerRow, "name" | "address" | "note"> & { id: number | null };
const NOBODY: Editing = { id: null, name: "", address: "", note: "" };

export default function Office() {
  useEffect(() => {
    document.title = t("office.officeWeald");
  }, []);
  return (
    <main className="mx-auto grid w-full max-w-6xl gap-6 p-5 lg:grid-cols-2">
      <h1 className="text-3xl font-semibold lg:col-span-2">{t("common.office")}</h1>
      <Customers />
      <TermsForm />
    </main>
  );
}

function Customers() {
  const [search, setSearch] = useState("");
  const [editing, setEditing] = useState<Editing | null>(null);
  const person = usePerson();
  const customers = useCustomers(search);
  const erase = useErase();
  return (
    <section>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <h2 className="text-xl font-semibold">{t("office.customers")}</h2>
        <SearchField label={t("office.searchCustomers")} value={search} onSearch={setSearch} />
        {person.role !== "reader" && (
          <Button onClick={() => setEditing(NOBODY)}>{t("office.writeACustomerDown")}</Button>
        )}
      </div>
      {(customers.error ?? erase.error) && (
        <p role="alert" className="text-madder">
          {(customers.error ?? erase.error)?.message}
        </p>
      )}
      {customers.data?.length === 0 && (
        <p className="rounded border border-rule bg-linen p-4">
          {search ? t("office.noCustomerAnswers") : t("office.noCustomersYet")}
        </p>
      )}
      <ul className="divide-y divide-rule">
        {customers.data?.map((customer) => (
          <li key={customer.id} className="py-2">
            <div className="flex flex-wrap items-baseline gap-2">
              <span className="flex-1 font-semibold">{customer.name}</span>
              {person.role !== "reader" && (
                <Button kind="quiet" onClick={() => setEditing(customer)}>
                  {t("office.change")}
                </Button>
              )}
              {person.role === "owner" && (
                <>
                  <a
                    className="text-hill underline"
                    href={`/api/customers/${customer.id}/data.json`}
                  >
                    {t("office.theirData")}
                  </a>
                  <Button
                    kind="quiet"
                    onClick={() => {
                      if (window.confirm(t("office.eraseSure", { name: customer.name })))
                        erase.mutate(customer.id);
                    }}
                  >
                    {t("office.erase")}
                  </Button>
                </>
              )}
            </div>
            <p className="text-sm whitespace-pre-line text-faded">{customer.address}</p>
            {customer.note && <p className="text-sm">{customer.note}</p>}
            <p className="flex flex-wrap gap-x-3 text-sm">
              {customer.jobs.map((job) => (
                <Link key={job.id} className="text-hill underline" to={`/jobs/${job.id}/costs`}>
                  {job.words}
                </Link>
              ))}
            </p>
          </li>
        ))}
      </ul>
      {editing && <CustomerDialog start={editing} onClose={() => setEditing(null)} />}
    </section>
  );
}

function CustomerDialog({ start, onClose }: { start: Editing; onClose: () => void }) {
  const [draft, setDraft] = useState(start);
  const save = useSaveCustomer();
  return (
    <Modal open onOpenChange={onClose} title={t("office.customer")}>
      <div className="space-y-2">
        <label className="block text-sm text-faded">
          {t("office.name")}
          <input
            className={FIELD}
            value={draft.name}
            onChange={(event) => setDraft({ ...draft, name: event.target.value })}
          />
        </label>
        <label className="block text-sm text-faded">
          {t("office.address")}
          <textarea
            rows={3}
            className={FIELD}
            value={draft.address}
            onChange={(event) => setDraft({ ...draft, address: event.target.value })}
          />
        </label>
        <label className="block text-sm text-faded">
          {t("common.note")}
          <textarea
            rows={2}
            className={FIELD}
            value={draft.note}
            onChange={(event) => setDraft({ ...draft, note: event.target.value })}
          />
        </label>
        {save.error && (
          <p role="alert" className="text-madder">
            {save.error.message}
          </p>
        )}
        <Button
          kind="main"
          disabled={!draft.name.trim()}
          onClick={() => save.mutate(draft, { onSuccess: onClose })}
        >
          {t("office.save")}
        </Button>
      </div>
    </Modal>
  );
}
