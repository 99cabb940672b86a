import { t } from "./words";
import { KeyRound, Lamp, LogOut, Sun } from "lucide-react";
import { type ReactNode, useMemo, useState } from "react";
import { Link, NavLink } from "react-router";
import { csrfToken } from "../api/client";
import { Button, Choice, IconButton, Tick } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { useOptions } from "./choices";
import { PasswordDialog } from "./PasswordDialog";
import { isLetterKey, KEY_LIST, LEADER, letters, useKeys, useLettersAlone } from "./keys";
import { useAway } from "./reach";
import { UNITS, useChangePreferences, usePerson } from "./person";

const UNIT_LABELS = { mm: "app.millimetres", inch: "app.inches", both: "app.bothUnits" } as const;
const ROOMS = [
  ["/", "common.desk"],
  ["/week", "common.week"],
  ["/sets", "common.sets"],
  ["/shelf", "common.shelf"],
  ["/cutting", "common.cutting"],
  ["/daybook", "common.daybook"],
  ["/office", "common.office"],
  ["/house", "common.houseRules"],
] as const;

export function Shell({ children }: { children: ReactNode }) {
  const person = usePerson();
  const preferences = useChangePreferences();
  const [showKeys, setShowKeys] = useState(false);
  const [showPassword, setShowPassword] = useState(false);
  const [showMore, setShowMore] = useState(false);
  const mmMarks = useOptions("house.mm_division");
  const inchMarks = useOptions("house.inch_division");
  const lamp = person.theme === "lamp";
  const away = useAway();
  const alone = useLettersAlone();

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
      <header className="flex items-center gap-x-5 gap-y-1 border-b border-rule bg-linen px-4 py-1.5 lg:flex-wrap">
        <Link to="/" className="font-serif text-xl font-semibold text-hill">
          {t("app.weald")}
        </Link>
        <nav
          aria-label={t("app.rooms")}
          className="flex min-w-0 flex-1 gap-4 overflow-x-auto whitespace-nowrap lg:flex-none lg:overflow-visible"
        >
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
        <span className="hidden text-sm text-faded lg:inline">{person.workshop}</span>
        <Button
          className="lg:hidden"
          aria-expanded={showMore}
          aria-controls="how-it-is-shown"
          onClick={() => setShowMore(!showMore)}
        >
          {t("app.more")}
        </Button>
        <div
          id="how-it-is-shown"
          className={`${showMore ? "absolute top-11 right-0 z-20 flex border border-rule bg-linen p-3 shadow-lg" : "hidden"} ml-auto flex-wrap items-center gap-3 lg:static lg:flex lg:border-0 lg:bg-transparent lg:p-0 lg:shadow-none`}
        >
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
      {away && (
        <p
          role="alert"
          className="border-b border-amber bg-linen px-4 py-1 font-semibold text-amber"
        >
          {t("app.notReached")}
        </p>
      )}
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
            <div key={`${key}${does}`} className="contents">
              <dt className="font-semibold">
                {isLetterKey(key) && !alone ? t("app.afterLeader", { leader: LEADER, key }) : key}
              </dt>
              <dd>{t(does)}</dd>
            </div>
          ))}
        </dl>
        <p className="mt-3">
          <Tick checked={alone} onChange={(checked) => letters.set(checked)}>
            {t("app.lettersAlone")}
          </Tick>
        </p>
      </Modal>
    </div>
  );
}
