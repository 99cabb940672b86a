import { t } from "../../../app/words";
import { Tabbed } from "../../../parts/Tabbed";
import { useSnapshot } from "../../context";
import { PrintedInputs } from "./PrintedInputs";
import { Group, LengthField, NumberField, SelectField, TextField } from "../../fields";
import { valueAt } from "../../paths";
import { useUses } from "../../uses";
import { GlueOn, Linings } from "./Linings";

export function BoardsInputs() {
  const { asks } = useUses();
  const { plan } = useSnapshot();
  const tabs = [
    ...(asks("binding.board") || asks("binding.squares")
      ? [{ id: "boards", title: t("boards.boards"), content: <Boards /> }]
      : []),
    ...(["spine_rule", "joint_rule", "inset", "french_joint"].some((key) => asks(`binding.${key}`))
      ? [{ id: "joint", title: t("boards.spineJoint"), content: <Joint /> }]
      : []),
    ...(asks("binding.cover") || asks("binding.covering")
      ? [{ id: "cover", title: t("boards.cover"), content: <Cover /> }]
      : []),
    ...(["tape_reach", "stiffener", "slit_step", "flaps", "leaves", "old_cover", "bands"].some(
      (key) => asks(`binding.${key}`),
    )
      ? [{ id: "more", title: t("boards.itsOwn"), content: <Own /> }]
      : []),
  ];
  if (plan?.cover_art)
    tabs.push({ id: "printed", title: t("common.printed"), content: <PrintedInputs /> });
  return tabs.length ? <Tabbed label={t("boards.aboutBoardsAndCover")} tabs={tabs} quiet /> : null;
}

function Boards() {
  const { asks } = useUses();
  const layers = (valueAt(useSnapshot().draft, "binding.linings") ?? []).length;
  return (
    <>
      {asks("binding.board") && (
        <Group title={t("boards.board")}>
          <TextField path="binding.board_name" label={t("common.name")} width="w-24" />
          <LengthField path="binding.board" label={t("common.thickness")} width="w-20" />
          {asks("binding.spine_board") && (
            <LengthField
              path="binding.spine_board"
              label={t("boards.spineBoard")}
              placeholder={t("boards.asBoard")}
              optional
              width="w-24"
            />
          )}
          {asks("binding.thin_board") && (
            <LengthField path="binding.thin_board" label={t("boards.thinBoard")} width="w-20" />
          )}
          {asks("binding.cut_in_case") && (
            <LengthField
              path="binding.cut_in_case"
              label={t("boards.cutWiderBy")}
              width="w-[5.4rem]"
            />
          )}
          {asks("binding.linings") && <GlueOn />}
        </Group>
      )}
      {asks("binding.squares") && (
        <Group title={t("boards.squares")}>
          <LengthField path="binding.squares.head" label={t("common.head")} width="w-[4.6rem]" />
          <LengthField path="binding.squares.tail" label={t("common.tail")} width="w-[4.6rem]" />
          <LengthField path="binding.squares.fore_edge" label={t("common.foreEdge")} width="w-20" />
        </Group>
      )}
      {asks("binding.linings") && layers > 0 && (
        <Group title={t("boards.gluedOnTheBoards")}>
          <Linings />
        </Group>
      )}
    </>
  );
}

function Joint() {
  const { draft, plan } = useSnapshot();
  const { asks } = useUses();
  const joint = valueAt(draft, "binding.joint_rule");
  const ruled = asks("binding.joint_rule");
  const shown = (id: string) => plan?.quantities.find((each) => each.id === id)?.shown ?? "";
  return (
    <Group title={t("boards.spineAndJoint")}>
      {asks("binding.spine_rule") && (
        <SelectField path="binding.spine_rule" label={t("boards.spineWidth")} width="w-44" />
      )}
      {ruled && <SelectField path="binding.joint_rule" label={t("boards.joint")} width="w-44" />}
      {((ruled && joint === "inset") || asks("binding.inset")) && (
        <LengthField
          path="binding.inset"
          label={t("boards.inset")}
          placeholder={shown("joint.inset")}
          optional
          width="w-20"
        />
      )}
      {ruled && joint === "fixed" && (
        <LengthField
          path="binding.joint"
          label={t("boards.gap")}
          placeholder={shown("joint.gap")}
          optional
          width="w-20"
        />
      )}
      {asks("binding.french_joint") && (
        <LengthField path="binding.french_joint" label={t("boards.offTheShoulder")} width="w-28" />
      )}
      {asks("binding.groove") && (
        <NumberField path="binding.groove" label={t("boards.groove0To1")} step={0.1} width="w-28" />
      )}
    </Group>
  );
}

function Cover() {
  const { draft, plan } = useSnapshot();
  const { asks, coverings } = useUses();
  const covering = String(valueAt(draft, "binding.covering"));
  const several = asks("binding.covering") && ["quarter", "half", "fore_edge"].includes(covering);
  const leg = plan?.quantities.find((each) => each.id === "corner.leg")?.shown ?? "";
  const joined = asks("binding.overlap") || covering === "three_piece";
  return (
    <>
      <Group title={t("boards.cover")}>
        {asks("binding.covering") && coverings.length > 1 && (
          <SelectField
            path="binding.covering"
            label={t("boards.covering")}
            options={coverings}
            width="w-44"
          />
        )}
        <SelectField path="binding.material" label={t("boards.of")} width="w-24" />
        <TextField path="binding.cover_name" label={t("common.name")} width="w-32" />
        <LengthField path="binding.cover_thickness" label={t("common.thickness")} width="w-20" />
        {asks("binding.turn_in") && (
          <LengthField path="binding.turn_in" label={t("boards.turnIn")} width="w-20" />
        )}
        {valueAt(draft, "binding.material") === "leather" && (
          <LengthField path="binding.paring" label={t("boards.forParing")} width="w-20" />
        )}
      </Group>
      {(several || joined) && (
        <Group title={several ? t("boards.inPieces") : t("boards.strip")}>
          <LengthField path="binding.overlap" label={t("boards.onEachBoard")} width="w-24" />
          {several && (
            <>
              <SelectField path="binding.sides" label={t("boards.sidesOf")} width="w-20" />
              <LengthField path="binding.sides_over" label={t("boards.sidesOver")} width="w-20" />
            </>
          )}
          {covering === "half" && (
            <LengthField
              path="binding.corner_leg"
              label={t("boards.cornersLeg")}
              placeholder={leg}
              optional
              width="w-24"
            />
          )}
          {covering === "fore_edge" && (
            <LengthField
              path="binding.fore_edge_strip"
              label={t("boards.foreEdgeStrip")}
              width="w-24"
            />
          )}
        </Group>
      )}
    </>
  );
}

/** What only some structures ask for. */
function Own() {
  const { asks } = useUses();
  return (
    <>
      {asks("binding.stiffener") && (
        <Group title={t("boards.stiffener")}>
          <LengthField
            path="binding.stiffener"
            label={t("boards.insideEachSide")}
            placeholder={t("boards.none")}
            optional
            width="w-28"
          />
        </Group>
      )}
      {asks("binding.leaves") && (
        <Group title={t("common.leaves")}>
          <SelectField path="binding.leaves" label={t("boards.held")} width="w-56" />
        </Group>
      )}
      {asks("binding.bands") && (
        <Group title={t("boards.bands")}>
          <NumberField
            path="binding.bands.count"
            label={t("common.howMany")}
            min={0}
            width="w-20"
          />
          <LengthField path="binding.bands.width" label={t("common.width")} width="w-20" />
          <LengthField
            path="binding.bands.tail_more"
            label={t("boards.tailPanelMore")}
            width="w-28"
          />
        </Group>
      )}
      {asks("binding.tape_reach") && (
        <Group title={t("common.supports")}>
          <LengthField path="binding.tape_reach" label={t("boards.reachOnEachSide")} width="w-32" />
        </Group>
      )}
      {asks("binding.slit_step") && (
        <Group title={t("boards.slits")}>
          <LengthField path="binding.slit_step" label={t("boards.fromSlitToSlit")} width="w-28" />
          <LengthField path="binding.slit_play" label={t("boards.longerBy")} width="w-20" />
        </Group>
      )}
      {asks("binding.flaps") && (
        <Group title={t("boards.flaps")}>
          <LengthField path="binding.flaps" label={t("boards.width0ForNone")} width="w-32" />
        </Group>
      )}
      {asks("binding.old_cover") && (
        <Group title={t("boards.oldCoverAsItComesOff")}>
          <LengthField
            path="binding.old_cover.width"
            label={t("common.width")}
            optional
            width="w-20"
          />
          <LengthField
            path="binding.old_cover.height"
            label={t("common.height")}
            optional
            width="w-20"
          />
          <LengthField
            path="binding.old_cover.spine"
            label={t("common.spine")}
            optional
            width="w-20"
          />
        </Group>
      )}
    </>
  );
}
