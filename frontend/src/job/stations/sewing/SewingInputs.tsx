import { t } from "../../../app/words";
import { StationForms } from "../../forms";

export function SewingInputs() {
  return <StationForms station="sewing" label={t("sewing.sewing")} />;
}
