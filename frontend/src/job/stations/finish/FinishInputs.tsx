import { useSnapshot } from "../../context";
import { Group, LengthField, NumberField, SelectField, TextField } from "../../fields";
import { valueAt } from "../../paths";

export function FinishInputs() {
  const { draft, plan } = useSnapshot();
  const capital = plan?.quantities.find((each) => each.id === "title.capital")?.shown ?? "";
  return (
    <>
      <Group title="On the spine">
        <TextField path="finish.title" label="Title, if not the job's" width="w-56" />
        <TextField path="finish.author" label="Author" width="w-36" />
        <TextField path="finish.volume" label="Volume" width="w-16" />
      </Group>
      <Group title="Lettering">
        <SelectField path="finish.placed" label="Where" width="w-32" />
        {valueAt(draft, "finish.placed") !== "none" && (
          <>
            <SelectField path="finish.direction" label="Direction" width="w-36" />
            <LengthField
              path="finish.capital"
              label="Capitals"
              placeholder={capital}
              optional
              width="w-24"
            />
          </>
        )}
      </Group>
      <Group title="Ribbon and edges">
        <NumberField path="finish.ribbons" label="Ribbons" min={0} width="w-20" />
        <TextField path="finish.edges" label="Edges" width="w-44" />
      </Group>
    </>
  );
}
