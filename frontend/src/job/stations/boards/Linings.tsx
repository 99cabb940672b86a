/** What is glued on the boards: linings, or a second board. */
import { t } from "../../../app/words";
import { Layers, X } from "lucide-react";
import { useId } from "react";
import { useOptions } from "../../../app/choices";
import { IconButton, Pick } from "../../../parts/controls";
import { useSession, useSnapshot } from "../../context";
import { valueAt, type ValueAt } from "../../paths";

type Lining = NonNullable<ValueAt<"binding.linings">>[number];

type Side = NonNullable<Lining["side"]>;
const liningPaper = (): Lining => ({
  side: "inside",
  name: t("boards.liningPaper"),
  grammage: 90,
});

/** Stands beside the board; with the first layer, the layers get a group of their own. */
export function GlueOn() {
  const session = useSession();
  const { draft } = useSnapshot();
  const linings = valueAt(draft, "binding.linings") ?? [];
  return (
    <span className="mt-5 flex h-8 items-center">
      <IconButton
        label={t("boards.glueALayerOn")}
        onClick={() => session.set("binding.linings", [...linings, liningPaper()])}
      >
        <Layers size={18} />
      </IconButton>
    </span>
  );
}

export function Linings() {
  const session = useSession();
  const { draft, errors, plan } = useSnapshot();
  const sides = useOptions<Side>("binding.linings.side");
  const linings = valueAt(draft, "binding.linings") ?? [];
  const keep = (changed: readonly Lining[]) => session.set("binding.linings", [...changed]);
  const change = (index: number, part: Partial<Lining>) =>
    keep(linings.map((each, at) => (at === index ? { ...each, ...part } : each)));
  return (
    <>
      {linings.map((lining, index) => (
        <div key={index} className="flex items-end gap-2">
          <Pick
            label={t("boards.layerIndex", { index: index + 1 })}
            value={lining.side ?? "inside"}
            options={sides}
            onChange={(side) => change(index, { side })}
          />
          {lining.side === "core" ? (
            <Figure
              label={t("common.thickness")}
              value={
                typeof lining.thickness === "number"
                  ? plan?.inputs[`binding.linings.${index}.thickness`]
                  : lining.thickness
              }
              wrong={errors[`binding.linings.${index}.thickness`]}
              onChange={(thickness) => change(index, { thickness: thickness || null })}
            />
          ) : (
            <Figure
              label={t("common.gM")}
              value={lining.grammage}
              wrong={errors[`binding.linings.${index}.grammage`]}
              onChange={(grammage) => change(index, { grammage })}
            />
          )}
          <IconButton
            label={t("boards.removeLayerIndex", { index: index + 1 })}
            onClick={() => keep(linings.filter((_, at) => at !== index))}
          >
            <X size={16} />
          </IconButton>
        </div>
      ))}
    </>
  );
}

function Figure({
  label,
  value,
  wrong,
  onChange,
}: {
  label: string;
  value: number | string | null | undefined;
  wrong: string | undefined;
  onChange: (text: string) => void;
}) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="block text-sm text-faded">
        {label}
      </label>
      <input
        id={id}
        className="figures h-8 w-16 rounded border border-faded bg-sheet px-2 py-1 aria-invalid:border-2 aria-invalid:border-madder"
        value={value ?? ""}
        aria-invalid={wrong ? true : undefined}
        title={wrong}
        onChange={(event) => onChange(event.target.value)}
      />
    </div>
  );
}
