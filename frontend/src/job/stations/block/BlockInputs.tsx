import { t } from "../../../app/words";
import { StationForms } from "../../forms";

export function BlockInputs() {
  return <StationForms station="block" label={t("block.aboutTheBlock")} />;
}
