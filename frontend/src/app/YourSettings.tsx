/** How one person has Weald: units, ruler, light, keys, password; and the way out. */
import { UserRound } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { csrfToken, type Person } from "../api/client";
import { Button, Choice } from "../parts/controls";
import { useOptions } from "./choices";
import { UNITS, useChangePreferences, usePerson } from "./person";
import { t } from "./words";

const UNIT_LABELS = { mm: "app.millimetres", inch: "app.inches", both: "app.bothUnits" } as const;
const LIGHTS = { system: "app.systemLight", day: "app.dayLight", lamp: "app.lampLight" } as const;
const SELECT = "ml-2 rounded border border-faded bg-sheet px-1 py-1";

export function YourSettings({
  onKeys,
  onPassword,
}: {
  onKeys: () => void;
  onPassword: () => void;
}) {
  const person = usePerson();
  const { mutate } = useChangePreferences();
  const [open, setOpen] = useState(false);
  const away = (then: () => void) => () => {
    setOpen(false);
    then();
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={t("app.settingsOf", { name: person.name })}
        title={t("app.settingsOf", { name: person.name })}
        className="flex size-8 items-center justify-center rounded text-hill hover:bg-chalk"
      >
        <UserRound size={18} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t("app.settingsOf", { name: person.name })}
          align="end"
          sideOffset={6}
          className="z-30 space-y-3 rounded border border-rule bg-chalk p-3 text-ink shadow-lg"
        >
          <p className="text-sm text-faded">
            {person.name} · {person.workshop}
          </p>
          <Choice
            label={t("app.units")}
            value={person.units}
            options={UNITS.map((units) => ({ value: units, label: t(UNIT_LABELS[units]) }))}
            onChange={(units) => mutate({ units })}
          />
          <Ruler person={person} />
          <Choice
            label={t("app.light")}
            value={person.theme}
            options={(["system", "day", "lamp"] as const).map((theme) => ({
              value: theme,
              label: t(LIGHTS[theme]),
            }))}
            onChange={(theme) => mutate({ theme })}
          />
          <p className="flex flex-wrap gap-2">
            <Button onClick={away(onKeys)}>{t("app.keyboard")}</Button>
            <Button onClick={away(onPassword)}>{t("app.password")}</Button>
          </p>
          <form method="post" action="/sign-out">
            <input type="hidden" name="csrfmiddlewaretoken" value={csrfToken()} />
            <Button type="submit">{t("app.signOut")}</Button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Ruler({ person }: { person: Person }) {
  const { mutate } = useChangePreferences();
  const inch = person.units === "inch";
  const marks = useOptions(inch ? "house.inch_division" : "house.mm_division");
  return (
    <label className="block text-sm">
      {t("app.ruler")}
      <select
        className={SELECT}
        value={inch ? person.inch_division : person.mm_division}
        onChange={({ target }) =>
          mutate(
            inch
              ? { inch_division: Number(target.value) as 16 | 32 | 64 }
              : { mm_division: Number(target.value) },
          )
        }
      >
        {marks.map(([mark, words]) => (
          <option key={mark} value={mark}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
