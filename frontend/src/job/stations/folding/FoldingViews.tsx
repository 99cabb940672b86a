/** What can be seen of the folding: the sheets, the folding itself, the folded dummy, the spine. */
import { t } from "../../../app/words";
import { Tabs } from "radix-ui";
import { lazy, type ReactNode, Suspense, useState } from "react";
import { useSnapshot } from "../../context";
import { PageDummy } from "./PageDummy";

const FoldFilm = lazy(() => import("./FoldFilm"));

const TAB =
  "rounded-t border border-b-0 border-rule px-3 py-1 text-hill data-[state=active]:bg-sheet data-[state=active]:font-semibold";
const BODY = "flex min-h-0 flex-1 flex-col outline-offset-[-2px] data-[state=inactive]:hidden";

export function FoldingViews({
  section,
  onSection,
  sheets,
  spine,
}: {
  section: number;
  onSection: (section: number) => void;
  sheets: ReactNode;
  spine: ReactNode;
}) {
  const { plan } = useSnapshot();
  const [sheet, setSheet] = useState(1);
  const sewn = plan?.drawings.some((drawing) => drawing.id === "folding.collation") ?? false;
  const folds = plan?.folds.length ?? 0;
  const count = plan?.sections[section - 1]?.sheets ?? 1;
  const shown = Math.min(sheet, count);
  return (
    <Tabs.Root defaultValue="sheets" className="flex min-h-0 flex-1 flex-col">
      <Tabs.List
        aria-label={t("folding.viewsOfTheFolding")}
        className="flex gap-1 border-b border-rule"
      >
        <Tabs.Trigger value="sheets" className={TAB}>
          {t("folding.theSheets")}
        </Tabs.Trigger>
        <Tabs.Trigger value="fold" className={TAB} disabled={folds === 0}>
          {t("folding.foldIt")}
        </Tabs.Trigger>
        <Tabs.Trigger value="page" className={TAB}>
          {t("folding.pageThrough")}
        </Tabs.Trigger>
        <Tabs.Trigger value="spine" className={TAB} disabled={!sewn}>
          {t("common.onTheSpine")}
        </Tabs.Trigger>
      </Tabs.List>
      <Tabs.Content value="sheets" className={BODY}>
        {sheets}
      </Tabs.Content>
      <Tabs.Content value="fold" className={BODY}>
        {count > 1 && (
          <label className="flex items-center gap-2 py-1 text-sm">
            {t("common.sheet")}
            <select
              className="rounded border border-faded bg-sheet px-2 py-0.5"
              value={shown}
              onChange={(event) => setSheet(Number(event.target.value))}
            >
              {Array.from({ length: count }, (_, index) => (
                <option key={index} value={index + 1}>
                  {index + 1}
                </option>
              ))}
            </select>
            {t("folding.ofSectionSheet1Outermost", { section })}
          </label>
        )}
        <Suspense fallback={<p>{t("folding.fetchingASheet")}</p>}>
          <FoldFilm section={section} sheet={shown} />
        </Suspense>
      </Tabs.Content>
      <Tabs.Content value="page" className={BODY}>
        <PageDummy section={section} onSection={onSection} />
      </Tabs.Content>
      <Tabs.Content value="spine" className={BODY}>
        {spine}
      </Tabs.Content>
    </Tabs.Root>
  );
}
