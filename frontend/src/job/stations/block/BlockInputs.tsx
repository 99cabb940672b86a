import { useSay } from "../../../app/say";
import { Tabbed } from "../../../parts/Tabbed";
import { useSnapshot } from "../../context";
import { CheckField, Group, LengthField, NumberField, SelectField } from "../../fields";
import { valueAt } from "../../paths";
import { useUses } from "../../uses";

export function BlockInputs() {
  const { draft } = useSnapshot();
  const { facts, asks, backs, shoulders } = useUses();
  const round = asks("back") && valueAt(draft, "back.shape") === "round";
  const tabs = [
    { id: "parts", title: "Its parts", content: <Parts endpapers={facts?.endpapers ?? true} /> },
    ...(asks("back")
      ? [
          {
            id: "back",
            title: "Back",
            content: (
              <Group title="Back">
                <SelectField path="back.shape" label="Shape" options={backs} width="w-32" />
                <SelectField
                  path="back.shoulder"
                  label="Shoulders"
                  options={shoulders}
                  width="w-40"
                />
                {round && <SelectField path="back.round_rule" label="Round" width="w-36" />}
                {round && valueAt(draft, "back.round_rule") !== "swell" && (
                  <NumberField
                    path="back.round"
                    label="Part of a circle"
                    step={0.01}
                    width="w-28"
                  />
                )}
              </Group>
            ),
          },
        ]
      : []),
    {
      id: "spine",
      title: "Spine",
      content: (
        <Group title="On the spine">
          <CheckField path="block.mull" label="mull" />
          <LengthField path="block.mull_overlap" label="on each board" width="w-24" />
          <NumberField path="block.linings" label="Paper linings" min={0} width="w-24" />
          {asks("block.hollow") && <CheckField path="block.hollow" label="hollow" />}
          <SelectField path="block.end_bands" label="End bands" width="w-28" />
          {valueAt(draft, "block.end_bands") !== "none" && (
            <LengthField path="block.end_band_height" label="Height" width="w-20" />
          )}
          {valueAt(draft, "block.end_bands") === "stuck_on" && (
            <SelectField path="block.end_band_ends" label="They reach" width="w-56" />
          )}
        </Group>
      ),
    },
    {
      id: "trim",
      title: "Trimming",
      content: (
        <>
          <Group title="Trimmed">
            <SelectField path="block.trimming" label="How" width="w-36" />
          </Group>
          <Group title="Diagonals">
            <LengthField path="block.diagonal_1" label="One" optional width="w-24" />
            <LengthField path="block.diagonal_2" label="The other" optional width="w-24" />
          </Group>
        </>
      ),
    },
  ];
  return <Tabbed label="About the block" tabs={tabs} quiet />;
}

function Parts({ endpapers }: { endpapers: boolean }) {
  const say = useSay();
  return (
    <>
      {endpapers && (
        <Group title="Endpapers each end">
          <SelectField path="endpapers.kind" label="Kind" width="w-56" />
          <SelectField path="endpapers.leaves" label="Folios" width="w-28" />
          <NumberField path="endpapers.grammage" label="g/m²" width="w-20" />
          <NumberField path="endpapers.bulk" label="Bulk, cm³/g" step={0.05} width="w-24" />
          <LengthField
            path="endpapers.margin"
            label="Margin seen"
            placeholder="as the squares"
            optional
            width="w-32"
          />
        </Group>
      )}
      <Group title={say("Glued in, each {signature}")}>
        <LengthField path="block.inserted" label="Thickness" width="w-24" />
        <LengthField path="block.guard_width" label="Guards" width="w-20" />
      </Group>
      <Group title="Finished leaf">
        <LengthField path="leaf.width" label="Width" width="w-20" />
        <LengthField path="leaf.height" label="Height" width="w-20" />
      </Group>
    </>
  );
}
