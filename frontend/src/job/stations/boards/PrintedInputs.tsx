/** What is printed on the cover: artwork, bleed, barcode, the sheet, and the rules of whoever prints it. */
import { t } from "../../../app/words";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, type Artwork, unwrap } from "../../../api/client";
import { bring, howFar, named } from "../../../api/bring";
import { Button, Pick } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useSession, useSnapshot } from "../../context";
import { LengthField } from "../../fields";
import { FormFields, type OwnForms } from "../../forms";
import { valueAt } from "../../paths";

/** What stands beside the fields of a printed cover; nothing where none is planned. */
export function usePrintedForms(): OwnForms {
  const { draft, plan } = useSnapshot();
  if (!plan?.cover_art) return {};
  return {
    artwork: { before: <ArtworkField /> },
    printed_on: {
      before: (
        <>
          <SheetFields given={valueAt(draft, "artwork.sheet") !== null} />
          <Rules />
        </>
      ),
    },
  };
}

function ArtworkField() {
  const session = useSession();
  const { draft } = useSnapshot();
  const client = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState("");
  const file = valueAt(draft, "artwork.file");
  const known = useQuery({
    queryKey: ["artworks"],
    queryFn: async () => unwrap(await api.GET("/api/artworks")),
  });
  const [sent, setSent] = useState(0);
  const take = (artwork: Artwork | undefined) =>
    session.apply({
      "artwork.file": artwork?.digest ?? null,
      "artwork.width": artwork?.width ?? null,
      "artwork.height": artwork?.height ?? null,
      "artwork.pixels": artwork?.pixels ?? null,
    });
  const bringing = useMutation({
    mutationFn: (file: File) =>
      bring<Artwork>(named("/api/artworks", file), file, { onSent: setSent }),
    onSuccess: (artwork) => {
      void client.invalidateQueries({ queryKey: ["artworks"] });
      take(artwork);
      setSaid(
        artwork.left_out.length > 0
          ? t("boards.leftOutOfTheDrawingTo", { leftout: artwork.left_out.join(", ") })
          : "",
      );
    },
    onError: (error) => setSaid(error.message),
  });
  const options = [
    ["", t("boards.noneYet")] as const,
    ...(known.data ?? []).map(
      (artwork) => [artwork.digest, `${artwork.name}, ${artwork.shown}`] as const,
    ),
  ];
  return (
    <>
      <Pick
        label={t("boards.file")}
        className="w-64"
        value={typeof file === "string" ? file : ""}
        options={options}
        onChange={(digest) => take(known.data?.find((each) => each.digest === digest))}
      />
      <div className="mt-5">
        <Button disabled={bringing.isPending} onClick={() => input.current?.click()}>
          {bringing.isPending ? howFar(sent) : t("boards.bringPDFPNGJPEGOrSVG")}
        </Button>
        <input
          ref={input}
          type="file"
          className="sr-only"
          tabIndex={-1}
          aria-label={t("boards.artworkFile")}
          accept=".pdf,.png,.jpg,.jpeg,.svg"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            event.target.value = "";
            if (chosen) bringing.mutate(chosen);
          }}
        />
      </div>
      {said && (
        <p role="alert" className="w-full text-sm text-madder">
          {said}
        </p>
      )}
    </>
  );
}

function SheetFields({ given }: { given: boolean }) {
  const session = useSession();
  const { plan } = useSnapshot();
  const art = plan?.cover_art;
  if (!art) return null;
  if (!given) {
    return (
      <div className="mt-5">
        <Button
          onClick={() => session.set("artwork.sheet", { width: art.width, height: art.height })}
        >
          {t("boards.aSheet")}
        </Button>
      </div>
    );
  }
  return (
    <>
      <LengthField path="artwork.sheet.width" label={t("boards.sheetWidth")} />
      <LengthField path="artwork.sheet.height" label={t("boards.height")} />
    </>
  );
}

/** The rules of whoever prints the cover: kept by the workshop, copied into the job. */
function Rules() {
  const session = useSession();
  const { draft } = useSnapshot();
  const [open, setOpen] = useState(false);
  const name = valueAt(draft, "artwork.rules.name");
  const profiles = useQuery({
    queryKey: ["cover-profiles"],
    queryFn: async () => unwrap(await api.GET("/api/cover-profiles")),
  });
  const rules = valueAt(draft, "artwork.rules");
  return (
    <>
      <Pick
        label={t("boards.byTheRulesOf")}
        className="w-44"
        value={typeof name === "string" ? name : ""}
        options={[
          ["", t("boards.nobodys")] as const,
          ...(typeof name === "string" && !profiles.data?.some((each) => each.rules.name === name)
            ? [[name, name || t("boards.thisJobsOwn")] as const]
            : []),
          ...(profiles.data ?? []).map((each) => [each.rules.name, each.rules.name] as const),
        ]}
        onChange={(chosen) => {
          const profile = profiles.data?.find((each) => each.rules.name === chosen);
          session.set("artwork.rules", profile?.rules ?? null);
        }}
      />
      <div className="mt-5">
        <Button
          onClick={() => {
            if (rules === null) session.set("artwork.rules", { name: "" });
            setOpen(true);
          }}
        >
          {rules === null ? t("boards.newRules") : t("boards.seeRules")}
        </Button>
      </div>
      <Modal open={open} onOpenChange={setOpen} title={t("boards.aPrintersSheetOfRules")} wide>
        {rules !== null && <RulesFields />}
      </Modal>
    </>
  );
}

function RulesFields() {
  const { draft } = useSnapshot();
  const client = useQueryClient();
  const [said, setSaid] = useState("");
  const keep = useMutation({
    mutationFn: async () =>
      unwrap(
        await api.POST("/api/cover-profiles", {
          body: valueAt(draft, "artwork.rules") ?? { name: "" },
        }),
      ),
    onSuccess: () => {
      setSaid(t("boards.savedForOtherJobs"));
      void client.invalidateQueries({ queryKey: ["cover-profiles"] });
    },
    onError: (error) => setSaid(error.message),
  });
  return (
    <div className="space-y-3">
      <p className="text-sm text-faded">{t("boards.copyThemFromTheSheetThey")}</p>
      <div className="flex flex-wrap gap-3">
        <FormFields name="cover_rules" />
      </div>
      <div className="flex items-center gap-3">
        <Button disabled={keep.isPending} onClick={() => keep.mutate()}>
          {t("boards.saveForOtherJobs")}
        </Button>
        <span role="status" className="text-sm">
          {said}
        </span>
      </div>
    </div>
  );
}
