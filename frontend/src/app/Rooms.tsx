/** The way to every room: those in use stand in the head, the others are in one list and can be brought out. */
import { DoorOpen } from "lucide-react";
import { Popover } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { NavLink, useLocation } from "react-router";
import type { Person } from "../api/client";
import { Tick } from "../parts/controls";
import { useChangePreferences, usePerson } from "./person";
import { t, type WordKey } from "./words";

type Room = Person["rooms"][number];

const ALWAYS = [
  ["/", "common.desk"],
  ["/shelf", "common.shelf"],
  ["/house", "common.houseRules"],
] as const;
const ROOMS: readonly (readonly [Room, WordKey])[] = [
  ["week", "common.week"],
  ["sets", "common.sets"],
  ["cutting", "common.cutting"],
  ["daybook", "common.daybook"],
  ["office", "common.office"],
  ["practice", "common.practice"],
];

/** A room that is entered is in use from then on, until it is put away. */
function useRooms() {
  const person = usePerson();
  const { mutate } = useChangePreferences();
  const { pathname } = useLocation();
  const here = ROOMS.find(([room]) => pathname.split("/")[1] === room)?.[0];
  const out = person.rooms;
  // once for each time it is entered: what is put away while one is in it stays away
  const entered = useRef<Room>(undefined);
  useEffect(() => {
    if (here === entered.current) return;
    entered.current = here;
    if (here && !out.includes(here)) mutate({ rooms: [...out, here] });
  }, [here, out, mutate]);
  const put = (room: Room, shown: boolean) =>
    mutate({ rooms: shown ? [...out, room] : out.filter((each) => each !== room) });
  return { out, put };
}

export function Rooms({ narrow }: { narrow: boolean }) {
  const { out, put } = useRooms();
  const inUse = [
    ALWAYS[0],
    ...ROOMS.filter(([room]) => out.includes(room)).map(
      ([room, name]) => [`/${room}`, name] as const,
    ),
    ...ALWAYS.slice(1),
  ];
  return (
    <>
      <nav
        aria-label={t("app.rooms")}
        className={narrow ? "hidden" : "hidden min-w-0 flex-wrap gap-x-4 lg:flex"}
      >
        {inUse.map(([path, name]) => (
          <Way key={path} path={path} name={name} />
        ))}
      </nav>
      <AllRooms out={out} onPut={put} narrow={narrow} />
    </>
  );
}

function Way({ path, name, onGo }: { path: string; name: WordKey; onGo?: () => void }) {
  return (
    <NavLink
      to={path}
      end={path === "/"}
      onClick={onGo}
      className="hover:underline aria-[current=page]:font-semibold aria-[current=page]:text-hill"
    >
      {t(name)}
    </NavLink>
  );
}

function AllRooms({
  out,
  onPut,
  narrow,
}: {
  out: readonly Room[];
  onPut: (room: Room, shown: boolean) => void;
  narrow: boolean;
}) {
  const [open, setOpen] = useState(false);
  const close = () => setOpen(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className="flex min-h-8 items-center gap-1 rounded px-1.5 text-hill hover:bg-chalk"
        aria-label={t("app.allRooms")}
        title={t("app.allRooms")}
      >
        <DoorOpen size={18} />
        {narrow && <span className="hidden lg:inline">{t("app.rooms")}</span>}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t("app.rooms")}
          align="start"
          sideOffset={6}
          className="z-30 rounded border border-rule bg-chalk p-3 text-ink shadow-lg"
        >
          <nav aria-label={t("app.allRooms")} className="space-y-1.5">
            {ALWAYS.map(([path, name]) => (
              <p key={path}>
                <Way path={path} name={name} onGo={close} />
              </p>
            ))}
            {ROOMS.map(([room, name]) => (
              <p key={room} className="flex items-center justify-between gap-6">
                <Way path={`/${room}`} name={name} onGo={close} />
                <Tick checked={out.includes(room)} onChange={(shown) => onPut(room, shown)}>
                  <span className="text-sm text-faded">
                    {t("app.inTheHead")}
                    <span className="sr-only">: {t(name)}</span>
                  </span>
                </Tick>
              </p>
            ))}
          </nav>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
