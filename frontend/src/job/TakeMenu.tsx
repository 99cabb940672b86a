import { t } from "../app/words";
import { ChevronDown, Printer } from "lucide-react";
import { useState } from "react";
import { useOptions } from "../app/choices";
import { useChangePreferences, usePerson } from "../app/person";
import type { Person } from "../api/client";
import { Menu, MenuAction, MenuChoice, MenuLink } from "../parts/Menu";
import { useSession } from "./context";

/** What can be printed or taken away; whatever is not saved yet is saved first. */
export function TakeMenu({ jobId, onPieces }: { jobId: number; onPieces: () => void }) {
  const session = useSession();
  const person = usePerson();
  const preferences = useChangePreferences();
  const papers = useOptions<Person["paper"]>("house.paper");
  const [paper, setPaper] = useState(person.paper);
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
        <MenuChoice
          label={t("common.printedOn")}
          value={paper}
          options={papers}
          onChange={(chosen) => {
            setPaper(chosen);
            preferences.mutate({ paper: chosen });
          }}
        />
        <MenuLink href={`${base}/job-sheet.pdf?paper=${paper}`} newTab>
          {t("common.jobSheetPDF")}
        </MenuLink>
        <MenuLink href={`${base}/bench-card.pdf?paper=${paper}`} newTab>
          {t("job.benchCardPDF")}
        </MenuLink>
        <MenuLink href={`${base}/drawings/case.flat.pdf?paper=${paper}`} newTab>
          {t("job.caseAtTrueSizePDF")}
        </MenuLink>
        <MenuLink href={`${base}/drawings/case.flat.svg`}>{t("job.caseAsSVG")}</MenuLink>
        <MenuLink href={`${base}/pieces.csv`}>{t("job.piecesAsCSV")}</MenuLink>
        <MenuLink href={`${base}/job.json`}>{t("common.jobFile")}</MenuLink>
        <MenuLink href={`/jobs/${jobId}/costs`}>{t("week.whatItCosts")}</MenuLink>
        <MenuAction onSelect={onPieces}>{t("job.allPiecesDrawnAndListed")}</MenuAction>
      </Menu>
    </span>
  );
}
