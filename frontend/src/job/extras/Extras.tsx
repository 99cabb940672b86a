/** What is added to the structure at one station: a quiet line that unfolds, one at a time. */
import { Plus } from "lucide-react";
import { useReader } from "../../app/person";
import { ViewOnly } from "../../app/ViewOnly";
import { t } from "../../app/words";
import type { Station } from "../../api/client";
import { Button } from "../../parts/controls";
import { Tabbed } from "../../parts/Tabbed";
import { useSession, useSnapshot } from "../context";
import { Drawings } from "../Drawings";
import { AddExtra } from "./AddExtra";
import { ExtraFields } from "./ExtraFields";
import { useExtras } from "./useExtras";

/** Which extra is unfolded, and which is looked at to be added; both by name. */
export interface ExtrasShown {
  unfolded: string | null;
  adding: string | null;
}

export const NONE_SHOWN: ExtrasShown = { unfolded: null, adding: null };

const CHIP = "flex items-center gap-1 rounded-full border px-2.5 py-0.5 text-sm";

export function Extras({
  station,
  title,
  shown,
  onShown,
}: {
  station: Station;
  /** What the station is called. */
  title: string;
  shown: ExtrasShown;
  onShown: (shown: ExtrasShown) => void;
}) {
  const session = useSession();
  const { used, offered } = useExtras(station);
  const unfolded = used.find((extra) => extra.name === shown.unfolded);
  const first = offered[0];
  if (used.length === 0) return null;
  return (
    <>
      <div className="flex flex-wrap items-center gap-1.5">
        <Chip title={title} open={!unfolded} onOpen={() => onShown(NONE_SHOWN)} />
        {used.map((extra) => (
          <Chip
            key={extra.name}
            title={extra.title}
            open={extra === unfolded}
            onOpen={() => onShown({ ...NONE_SHOWN, unfolded: extra.name })}
          />
        ))}
        {first && <More onMore={() => onShown({ ...shown, adding: first.name })} />}
      </div>
      {unfolded && (
        <form
          aria-label={unfolded.title}
          className="flex max-h-[17rem] overflow-y-auto flex-wrap items-start gap-x-2 gap-y-1 rounded border border-rule bg-linen/40 px-2 pt-1 pb-2"
          onSubmit={(event) => event.preventDefault()}
        >
          <ViewOnly>
            <ExtraFields extra={unfolded} />
          </ViewOnly>
          <span className="mt-5 ml-auto">
            <Button
              changes
              kind="quiet"
              onClick={() => {
                session.apply({ [`extras.${unfolded.name}`]: null });
                onShown(NONE_SHOWN);
              }}
            >
              {t("job.remove")}
            </Button>
          </span>
        </form>
      )}
    </>
  );
}

/** What can be added where nothing is yet; and the dialog in which one is chosen. */
export function AddHere({
  station,
  shown,
  onShown,
}: {
  station: Station;
  shown: ExtrasShown;
  onShown: (shown: ExtrasShown) => void;
}) {
  const { used, offered } = useExtras(station);
  const first = offered[0];
  if (!first) return null;
  return (
    <>
      {used.length === 0 && <More onMore={() => onShown({ ...shown, adding: first.name })} />}
      {shown.adding && (
        <AddExtra
          offered={offered}
          first={shown.adding}
          onClose={() => onShown({ ...shown, adding: null })}
          onAdded={(name) => onShown({ ...NONE_SHOWN, unfolded: name })}
        />
      )}
    </>
  );
}

function More({ onMore }: { onMore: () => void }) {
  if (useReader()) return null;
  return (
    <button
      type="button"
      className={`${CHIP} border-dashed border-rule text-faded hover:border-hill hover:text-hill`}
      onClick={onMore}
    >
      <Plus size={14} /> {t("job.more")}
    </button>
  );
}

function Chip({ title, open, onOpen }: { title: string; open: boolean; onOpen: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={open}
      className={`${CHIP} border-hill ${open ? "bg-hill text-on-hill" : "text-hill hover:bg-linen"}`}
      onClick={onOpen}
    >
      {title}
    </button>
  );
}

/** The drawings of the extra that is unfolded; nothing where it has none. */
export function useDrawingsOf(station: Station, name: string | null): readonly string[] {
  const { plan } = useSnapshot();
  if (!name) return [];
  const own = `${station}.${name}`;
  return (plan?.drawings ?? [])
    .filter(({ id }) => id === own || id.startsWith(`${own}_`))
    .map(({ id }) => id);
}

export function ExtraViews({ ids, grain }: { ids: readonly string[]; grain: boolean }) {
  const { plan } = useSnapshot();
  const tabs = ids.flatMap((id) => {
    const drawing = plan?.drawings.find((each) => each.id === id);
    return drawing
      ? [{ id, title: drawing.title, content: <Drawings ids={[id]} grain={grain} /> }]
      : [];
  });
  return <Tabbed label={t("job.views")} tabs={tabs} />;
}
