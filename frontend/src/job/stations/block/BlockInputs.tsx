import { t } from "../../../app/words";
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
    {
      id: "parts",
      title: t("block.itsParts"),
      content: (
        <Parts endpapers={(facts?.endpapers ?? true) && valueAt(draft, "extras.ends") == null} />
      ),
    },
    ...(asks("back")
      ? [
          {
            id: "back",
            title: t("common.back"),
            content: (
              <Group title={t("common.back")}>
                <SelectField
                  path="back.shape"
                  label={t("block.shape")}
                  options={backs}
                  width="w-32"
                />
                <SelectField
                  path="back.shoulder"
                  label={t("block.shoulders")}
                  options={shoulders}
                  width="w-40"
                />
                {round && (
                  <SelectField path="back.round_rule" label={t("block.round")} width="w-36" />
                )}
                {round && valueAt(draft, "back.round_rule") !== "swell" && (
                  <NumberField
                    path="back.round"
                    label={t("block.partOfACircle")}
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
      title: t("common.spine"),
      content: (
        <Group title={t("common.onTheSpine")}>
          <CheckField path="block.mull" label={t("block.mull")} />
          <LengthField path="block.mull_overlap" label={t("block.onEachBoard")} width="w-24" />
          <NumberField path="block.linings" label={t("block.paperLinings")} min={0} width="w-24" />
          {asks("block.hollow") && <CheckField path="block.hollow" label={t("block.hollow")} />}
          <SelectField path="block.end_bands" label={t("block.endBands")} width="w-28" />
          {valueAt(draft, "block.end_bands") !== "none" && (
            <LengthField path="block.end_band_height" label={t("common.height")} width="w-20" />
          )}
          {valueAt(draft, "block.end_bands") === "stuck_on" && (
            <SelectField path="block.end_band_ends" label={t("block.theyReach")} width="w-56" />
          )}
        </Group>
      ),
    },
    {
      id: "trim",
      title: t("block.trimming"),
      content: (
        <>
          <Group title={t("block.trimmed")}>
            <SelectField path="block.trimming" label={t("block.how")} width="w-36" />
          </Group>
          <Group title={t("block.diagonals")}>
            <LengthField path="block.diagonal_1" label={t("block.one")} optional width="w-24" />
            <LengthField
              path="block.diagonal_2"
              label={t("block.theOther")}
              optional
              width="w-24"
            />
          </Group>
        </>
      ),
    },
  ];
  return <Tabbed label={t("block.aboutTheBlock")} tabs={tabs} quiet />;
}

function Parts({ endpapers }: { endpapers: boolean }) {
  return (
    <>
      {endpapers && (
        <Group title={t("block.endpapersEachEnd")}>
          <SelectField path="endpapers.kind" label={t("common.kind")} width="w-56" />
          <SelectField path="endpapers.leaves" label={t("block.folios")} width="w-28" />
          <NumberField path="endpapers.grammage" label={t("common.gM")} width="w-20" />
          <NumberField path="endpapers.bulk" label={t("common.bulkCmG")} step={0.05} width="w-24" />
          <LengthField
            path="endpapers.margin"
            label={t("block.marginSeen")}
            placeholder={t("block.asTheSquares")}
            optional
            width="w-32"
          />
        </Group>
      )}
      <Group title={t("block.gluedInEachSignature")}>
        <LengthField path="block.inserted" label={t("common.thickness")} width="w-24" />
        <LengthField path="block.guard_width" label={t("block.guards")} width="w-20" />
      </Group>
      <Group title={t("common.finishedLeaf")}>
        <LengthField path="leaf.width" label={t("common.width")} width="w-20" />
        <LengthField path="leaf.height" label={t("common.height")} width="w-20" />
      </Group>
    </>
  );
}
