import { ChevronDown } from "lucide-react";
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
        label="Print and take away"
        trigger={
          <>
            Print &amp; take <ChevronDown size={16} aria-hidden />
          </>
        }
      >
        <MenuChoice
          label="Printed on"
          value={paper}
          options={papers}
          onChange={(chosen) => {
            setPaper(chosen);
            preferences.mutate({ paper: chosen });
          }}
        />
        <MenuLink href={`${base}/job-sheet.pdf?paper=${paper}`} newTab>
          Job sheet (PDF)
        </MenuLink>
        <MenuLink href={`${base}/drawings/case.flat.pdf?paper=${paper}`} newTab>
          Case at true size (PDF)
        </MenuLink>
        <MenuLink href={`${base}/drawings/case.flat.svg`}>Case as SVG</MenuLink>
        <MenuLink href={`${base}/pieces.csv`}>Pieces as CSV</MenuLink>
        <MenuLink href={`${base}/job.json`}>Job file</MenuLink>
        <MenuAction onSelect={onPieces}>All pieces, drawn and listed</MenuAction>
      </Menu>
    </span>
  );
}
