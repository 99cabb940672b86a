import { t } from "../../../app/words";
import { StationForms } from "../../forms";

export function FinishInputs() {
  return <StationForms station="finish" label={t("finish.lettering")} />;
}
