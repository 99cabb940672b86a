import { t } from "./words";
import { type ReactNode, useMemo, useState } from "react";
import { Link, useLocation } from "react-router";
import { Tick } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { HeadSlot } from "./HeadSlot";
import { PasswordDialog } from "./PasswordDialog";
import { isLetterKey, KEY_LIST, LEADER, letters, useKeys, useLettersAlone } from "./keys";
import { useAway } from "./reach";
import { Rooms } from "./Rooms";
import { UNITS, useChangePreferences, usePerson } from "./person";
import { YourSettings } from "./YourSettings";

export function Shell({ children }: { children: ReactNode }) {
  const person = usePerson();
  const preferences = useChangePreferences();
  const [showKeys, setShowKeys] = useState(false);
  const [showPassword, setShowPassword] = useState(false);
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  const working = useLocation().pathname.startsWith("/jobs/");
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
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-40 focus:bg-sheet focus:p-2"
        onClick={(event) => {
          event.preventDefault();
          const main = document.querySelector<HTMLElement>("main");
          main?.setAttribute("tabindex", "-1");
          main?.focus();
        }}
      >
        {t("app.toTheMain")}
      </a>
      <header className="flex min-h-11 items-center gap-x-3 border-b border-rule bg-linen px-3 py-1">
        <Link
          to="/"
          className={`font-serif text-xl font-semibold text-hill ${working ? "hidden sm:block" : ""}`}
        >
          {t("app.weald")}
        </Link>
        <Rooms narrow={working} />
        <div ref={setSlot} className="flex min-w-0 flex-1 items-center gap-2" />
        <YourSettings onKeys={() => setShowKeys(true)} onPassword={() => setShowPassword(true)} />
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
      <HeadSlot value={slot}>{children}</HeadSlot>
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
