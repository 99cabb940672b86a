import { t } from "../../../app/words";
import type { Plan } from "../../../api/client";

/** Every signature: its sheets and the pages it holds. */
export function SectionTable({
  plan,
  onSection,
}: {
  plan: Plan;
  onSection: (section: number) => void;
}) {
  return (
    <table className="figures w-full text-left text-sm">
      <caption className="sr-only">{t("folding.signatures")}</caption>
      <thead>
        <tr className="border-b border-rule text-faded">
          <th className="py-1 font-normal">{t("common.signature")}</th>
          <th className="font-normal">{t("folding.sheets")}</th>
          <th className="font-normal">{t("folding.pagesOfTheText")}</th>
        </tr>
      </thead>
      <tbody>
        {plan.sections.map((section) => (
          <tr key={section.section} className="border-b border-rule">
            <td>
              <button
                type="button"
                className="w-full py-1 text-left text-hill underline-offset-2 hover:underline"
                aria-current={section.section === plan.shown_section ? "true" : undefined}
                onClick={() => onSection(section.section)}
              >
                {section.section === plan.shown_section ? "● " : ""}
                {section.section}
              </button>
            </td>
            <td>{section.sheets}</td>
            <td>
              {section.first_page === null
                ? t("common.blank")
                : `${section.first_page}–${section.last_page ?? ""}`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
