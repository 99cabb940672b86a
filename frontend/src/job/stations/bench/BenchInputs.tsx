import { t } from "../../../app/words";
import { WhatIsSo } from "../../Lying";
import { StationForms } from "../../forms";
import { OwnOperations } from "./OwnOperations";
import { useMedia } from "../../../parts/useMedia";

export function BenchInputs() {
  const narrow = useMedia("(max-width: 1023px)");
  if (!narrow) return <Choices />;
  return (
    <details className="w-full">
      <summary className="min-h-9 cursor-pointer">{t("bench.schoolsGlueAndSteps")}</summary>
      <Choices />
    </details>
  );
}

function Choices() {
  return (
    <StationForms
      station="bench"
      label={t("job.whatWasDecided")}
      own={{ lying: { after: <WhatIsSo /> }, own_steps: { after: <OwnOperations /> } }}
    />
  );
}
