import { t } from "../../../app/words";
import { useSnapshot } from "../../context";
import { StationForms } from "../../forms";
import { valueAt } from "../../paths";
import { GlueOn, Linings } from "./Linings";
import { usePrintedForms } from "./PrintedInputs";

export function BoardsInputs() {
  const { draft, plan } = useSnapshot();
  const layers = (valueAt(draft, "binding.linings") ?? []).length;
  const boarded = plan?.asked.paths.includes("binding.board") ?? false;
  const printed = usePrintedForms();
  return (
    <StationForms
      station="boards"
      label={t("boards.aboutBoardsAndCover")}
      own={{
        ...(boarded && { board: { after: <GlueOn /> } }),
        ...(boarded && layers > 0 && { linings: { after: <Linings /> } }),
        ...printed,
      }}
    />
  );
}
