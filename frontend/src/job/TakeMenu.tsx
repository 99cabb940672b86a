import { t } from "../app/words";
import { ChevronDown, Printer } from "lucide-react";
import { Menu, MenuAction, MenuLink } from "../parts/Menu";
import { useSession } from "./context";

/** What can be printed or taken away; whatever is not saved yet is saved first. */
export function TakeMenu({
  jobId,
  onPieces,
  onPrint,
}: {
  jobId: number;
  onPieces: () => void;
  onPrint: () => void;
}) {
  const session = useSession();
  const base = `/api/jobs/${jobId}`;
  return (
    <span onPointerDown={() => void session.save()} onKeyDown={() => void session.save()}>
      <Menu
        label={t("job.printAndDownload")}
        trigger={
          <>
            <Printer size={18} className="sm:hidden" aria-hidden />
            <span className="hidden sm:inline">{t("job.print")}</span>{" "}
            <ChevronDown size={16} aria-hidden />
          </>
        }
      >
        <MenuAction onSelect={onPrint}>{t("papers.printDots")}</MenuAction>
        <MenuLink href={`${base}/drawings/case.flat.svg`}>{t("job.caseAsSVG")}</MenuLink>
        <MenuLink href={`${base}/pieces.csv`}>{t("job.piecesAsCSV")}</MenuLink>
        <MenuLink href={`${base}/job.json`}>{t("common.jobFile")}</MenuLink>
        <MenuLink href={`/jobs/${jobId}/costs`}>{t("week.whatItCosts")}</MenuLink>
        <MenuAction onSelect={onPieces}>{t("job.allPiecesDrawnAndListed")}</MenuAction>
      </Menu>
    </span>
  );
}
