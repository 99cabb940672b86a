import { t } from "../app/words";
import { Button } from "./controls";

/** How much of a list is shown, and the way to the rest. */
export function Pager({
  page,
  pages,
  counted,
  onPage,
}: {
  page: number;
  pages: number;
  /** How many there are in all, in words. */
  counted: string;
  onPage: (page: number) => void;
}) {
  return (
    <nav
      aria-label={t("parts.pagesOfTheList")}
      className="figures mt-3 flex items-center gap-3 text-sm"
    >
      <span className="text-faded">{counted}</span>
      {pages > 1 && (
        <>
          <Button kind="quiet" disabled={page <= 1} onClick={() => onPage(page - 1)}>
            {t("parts.previous")}
          </Button>
          <span>{t("parts.pageOfPages", { page, pages })}</span>
          <Button kind="quiet" disabled={page >= pages} onClick={() => onPage(page + 1)}>
            {t("parts.next")}
          </Button>
        </>
      )}
    </nav>
  );
}
