import { t } from "./words";
import { KeyRound, Lamp, LogOut, Sun } from "lucide-react";
import { type ReactNode, useMemo, useState } from "react";
import { Link, NavLink } from "react-router";
import { csrfToken } from "../api/client";
import { Choice, IconButton } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { useOptions } from "./choices";
import { PasswordDialog } from "./PasswordDialog";
import { KEY_LIST, useKeys } from "./keys";
import { UNITS, useChangePreferences, usePerson } from "./person";

const UNIT_LABELS = { mm: "app.millimetres", inch: "app.inches", both: "app.bothUnits" } as const;
const ROOMS = [
  ["/", "common.desk"],
  ["/sets", "common.sets"],
  ["/shelf", "common.shelf"],
  ["/cutting", "common.cutting"],
  ["/house", "common.houseRules"],
] as const;

export function Shell({ children }: { children: ReactNode }) {
  const person = usePerson();
  const preferences = useChangePreferences();
  const [showKeys, setShowKeys] = useState(false);
  const [showPassword, setShowPassword] = useState(false);
  const mmMarks = useOptions("house.mm_division");
  const inchMarks = useOptions("house.inch_division");
  const lamp = person.theme === "lamp";

  const keys = useMemo(
    () => ({
      u: () => {
        const next = UNITS[(UNITS.indexOf(person.units) + 1) % UNITS.length];
        preferences.mutate({ units: next });
      },
      "?": () => setShowKeys(true),
    }),
    [person.units, preferences],
  );
  useKeys(keys);

  return (
    <div className="flex min-h-screen flex-col">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule bg-linen px-4 py-1.5">
        <Link to="/" className="font-serif text-xl font-semibold text-hill">
          {t("app.weald")}
        </Link>
        <nav aria-label={t("app.rooms")} className="flex gap-4">
          {ROOMS.map(([path, name]) => (
            <NavLink
              key={path}
              to={path}
              end={path === "/"}
              className="hover:underline aria-[current=page]:font-semibold aria-[current=page]:text-hill"
            >
              {t(name)}
            </NavLink>
          ))}
        </nav>
        <span className="text-sm text-faded">{person.workshop}</span>
        <div className="ml-auto flex flex-wrap items-center gap-3">
          <Choice
            label={t("app.units")}
            value={person.units}
            options={UNITS.map((units) => ({ value: units, label: t(UNIT_LABELS[units]) }))}
            onChange={(units) => preferences.mutate({ units })}
          />
          <label className="flex items-center gap-1 text-sm">
            {t("app.ruler")}
            {person.units === "inch" ? (
              <select
                className="rounded border border-rule bg-sheet px-1 py-1"
                value={person.inch_division}
                onChange={(event) =>
                  preferences.mutate({
                    inch_division: Number(event.target.value) as 16 | 32 | 64,
                  })
                }
              >
                {inchMarks.map(([mark, words]) => (
                  <option key={mark} value={mark}>
                    {words}
                  </option>
                ))}
              </select>
            ) : (
              <select
                className="rounded border border-rule bg-sheet px-1 py-1"
                value={person.mm_division}
                onChange={(event) =>
                  preferences.mutate({
                    mm_division: Number(event.target.value),
                  })
                }
              >
                {mmMarks.map(([mark, words]) => (
                  <option key={mark} value={mark}>
                    {words}
                  </option>
                ))}
              </select>
            )}
          </label>
          <IconButton
            label={lamp ? t("app.dayLight") : t("app.lampLight")}
            onClick={() => preferences.mutate({ theme: lamp ? "day" : "lamp" })}
          >
            {lamp ? <Sun size={18} /> : <Lamp size={18} />}
          </IconButton>
          <IconButton label={t("app.keyboard")} onClick={() => setShowKeys(true)}>
            <span className="font-serif text-lg leading-none">?</span>
          </IconButton>
          <IconButton
            label={t("app.passwordOfName", { name: person.name })}
            onClick={() => setShowPassword(true)}
          >
            <KeyRound size={18} />
          </IconButton>
          <form method="post" action="/sign-out">
            <input type="hidden" name="csrfmiddlewaretoken" value={csrfToken()} />
            <IconButton label={t("app.signOutName", { name: person.name })} type="submit">
              <LogOut size={18} />
            </IconButton>
          </form>
        </div>
      </header>
      {person.role === "reader" && (
        <p className="border-b border-rule bg-linen px-4 py-1 text-sm text-faded">
          {t("app.youLookOnly")}
        </p>
      )}
      {children}
      {showPassword && <PasswordDialog onClose={() => setShowPassword(false)} />}
      <Modal open={showKeys} onOpenChange={setShowKeys} title={t("app.keyboard")}>
        <dl className="grid grid-cols-[7rem_1fr] gap-y-1">
          {KEY_LIST.map(([key, does]) => (
            <div key={key} className="contents">
              <dt className="font-semibold">{key}</dt>
              <dd>{t(does)}</dd>
            </div>
          ))}
        </dl>
      </Modal>
    </div>
  );
}
