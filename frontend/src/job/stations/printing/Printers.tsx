/** The printers of the workshop: what each can do, and how far its backs stand off. */
import { t } from "../../../app/words";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type PrinterProfile, ProblemError, unwrap } from "../../../api/client";
import { useOptions } from "../../../app/choices";
import { Button, Pick } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { type Entry, TextEntry } from "../../../parts/TextEntry";

const BLANK: Entry = {
  name: "",
  width: "",
  height: "",
  unprintable: "4",
  flips: "both",
  stacks: "face_down",
  feeds: "face_down",
  back_right: "0",
  back_down: "0",
};

export function usePrinters() {
  return useQuery({
    queryKey: ["printers"],
    queryFn: async () => unwrap(await api.GET("/api/printers")),
  });
}

function entryOf(profile: PrinterProfile): Entry {
  const texts = Object.fromEntries(
    Object.entries({ ...profile.printer, largest: "" }).map(([key, value]) => [
      key,
      profile.inputs[key] ?? String(value),
    ]),
  );
  return {
    ...texts,
    width: profile.inputs["largest.width"] ?? "",
    height: profile.inputs["largest.height"] ?? "",
  };
}

function bodyOf({ width, height, ...rest }: Entry): Record<string, unknown> {
  return { ...rest, largest: width && height ? { width, height } : null };
}

export function Printers({
  open,
  onOpenChange,
  onAdded,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  onAdded: (printer: PrinterProfile["printer"]) => void;
}) {
  const queries = useQueryClient();
  const printers = usePrinters();
  const flips = useOptions("printing.printer.flips");
  const stacks = useOptions("printing.printer.stacks");
  const feeds = useOptions("printing.printer.feeds");
  const [id, setId] = useState<number | null>(null);
  const [entry, setEntry] = useState(BLANK);
  const refresh = () => queries.invalidateQueries({ queryKey: ["printers"] });
  const keep = useMutation({
    mutationFn: async () =>
      id === null
        ? unwrap(await api.POST("/api/printers", { body: bodyOf(entry) }))
        : unwrap(
            await api.PUT("/api/printers/{printer_id}", {
              params: { path: { printer_id: id } },
              body: bodyOf(entry),
            }),
          ),
    onSuccess: (kept) => {
      if (id === null) onAdded(kept.printer);
      setId(kept.id);
      setEntry(entryOf(kept));
      void refresh();
    },
  });
  const remove = useMutation({
    mutationFn: async (printerId: number) => {
      await api.DELETE("/api/printers/{printer_id}", {
        params: { path: { printer_id: printerId } },
      });
    },
    onSuccess: () => {
      setId(null);
      setEntry(BLANK);
      void refresh();
    },
  });
  const fields = keep.error instanceof ProblemError ? (keep.error.problem.fields ?? {}) : {};
  const set = (key: string, value: string) => setEntry((old) => ({ ...old, [key]: value }));
  const choose = (profile: PrinterProfile | null) => {
    keep.reset();
    setId(profile?.id ?? null);
    setEntry(profile ? entryOf(profile) : BLANK);
  };
  const props = { entry, set, fields };
  return (
    <Modal open={open} onOpenChange={onOpenChange} title={t("printing.printersOfTheWorkshop")} wide>
      <div className="mb-3 flex flex-wrap gap-2">
        {printers.data?.map((profile) => (
          <Button
            key={profile.id}
            kind={profile.id === id ? "main" : "plain"}
            onClick={() => choose(profile)}
          >
            {profile.printer.name}
          </Button>
        ))}
        <Button kind={id === null ? "main" : "plain"} onClick={() => choose(null)}>
          {t("printing.aNewOne")}
        </Button>
      </div>
      {printers.data?.length === 0 && (
        <p className="mb-3 text-sm text-faded">{t("printing.sayWhatYourPrinterCanDo")}</p>
      )}
      <form
        className="grid gap-3 sm:grid-cols-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate();
        }}
      >
        <TextEntry {...props} id="name" label={t("common.name")} />
        <TextEntry
          {...props}
          id="width"
          label={t("printing.largestSheetWidth")}
          error="largest.width"
        />
        <TextEntry
          {...props}
          id="height"
          label={t("printing.largestSheetHeight")}
          error="largest.height"
        />
        <TextEntry {...props} id="unprintable" label={t("printing.unprintableEdge")} />
        <Pick
          value={entry.flips ?? ""}
          label={t("printing.turnsSheetsByItselfOn")}
          options={flips}
          onChange={(value) => set("flips", value)}
        />
        <span />
        <Pick
          value={entry.stacks ?? ""}
          label={t("printing.printedSheetsComeToLie")}
          options={stacks}
          onChange={(value) => set("stacks", value)}
        />
        <Pick
          value={entry.feeds ?? ""}
          label={t("printing.inItsTrayItPrintsThe")}
          options={feeds}
          onChange={(value) => set("feeds", value)}
        />
        <span />
        <TextEntry {...props} id="back_right" label={t("printing.backsStandTooFarRightBy")} />
        <TextEntry {...props} id="back_down" label={t("printing.backsStandTooLowBy")} />
        <p className="text-sm text-faded">{t("printing.readBothOffTheBackShift")}</p>
        <div className="flex gap-2 sm:col-span-3">
          <Button kind="main" type="submit" disabled={keep.isPending}>
            {id === null ? t("printing.addThisPrinter") : t("common.saveTheChanges")}
          </Button>
          {id !== null && (
            <Button onClick={() => remove.mutate(id)} disabled={remove.isPending}>
              {t("printing.removeIt")}
            </Button>
          )}
          <span role="status" className="self-center text-sm">
            {keep.isSuccess && t("printing.savedChooseThePrinterAgainTo")}
          </span>
        </div>
      </form>
    </Modal>
  );
}
