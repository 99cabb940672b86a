import { Group, LengthField, NumberField, SelectField } from "../fields";

const METHODS = [
  ["tapes", "on tapes"],
  ["cords", "on sawn-in cords"],
  ["raised_cords", "on raised cords"],
  ["link", "link stitch"],
] as const;

const END_LEAVES = [
  ["0", "none"],
  ["2", "one folio"],
  ["4", "two folios"],
] as const;

export function BlockInputs() {
  return (
    <>
      <Group title="Sewing">
        <SelectField path="sewing.method" label="Method" options={METHODS} width="w-40" />
        <LengthField path="sewing.thread" label="Thread" width="w-24" />
        <NumberField path="sewing.swell_factor" label="Swell factor" step={0.05} width="w-24" />
      </Group>
      <Group title="Endpapers each end">
        <SelectField path="endpapers.leaves" label="Folios" options={END_LEAVES} width="w-32" />
        <NumberField path="endpapers.grammage" label="g/m²" width="w-20" />
        <NumberField path="endpapers.bulk" label="Bulk, cm³/g" step={0.05} width="w-24" />
      </Group>
      <Group title="Finished leaf">
        <LengthField path="leaf.width" label="Width" />
        <LengthField path="leaf.height" label="Height" />
      </Group>
    </>
  );
}
