/** How an answer turned out: what is read once the sheet is folded, and where it goes wrong. */
import { Check } from "lucide-react";
import type { PracticeVerdict } from "../api/client";
import { t } from "../app/words";
import { Button } from "../parts/controls";

export function Outcome({
  verdict,
  error,
  onNext,
}: {
  verdict: PracticeVerdict | undefined;
  error: Error | null;
  onNext: () => void;
}) {
  if (error)
    return (
      <p role="alert" className="text-madder">
        {error.message}
      </p>
    );
  return (
    <div role="status">
      {verdict && (
        <div className="rounded border border-rule bg-sheet p-3">
          <p className={`text-lg font-semibold ${verdict.right ? "text-hill" : ""}`}>
            {verdict.right && <Check className="mr-1 inline" aria-hidden />}
            {verdict.words}
          </p>
          <p className="figures">
            {t("practice.reads", {
              pages: verdict.read.map((page) => page ?? "–").join(" "),
            })}
          </p>
          {verdict.right && (
            <Button kind="main" className="mt-2" onClick={onNext}>
              {t("practice.another")}
            </Button>
          )}
        </div>
      )}
    </div>
  );
}
