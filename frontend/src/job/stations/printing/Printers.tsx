/** The printers of the workshop: what each can do, and how far its backs stand off. */
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
    <Modal open={open} onOpenChange={onOpenChange} title="Printers of the workshop" wide>
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
          A new one
        </Button>
      </div>
      {printers.data?.length === 0 && (
        <p className="mb-3 text-sm text-faded">
          Say what your printer can do, and Weald says when a sheet does not go through it, places
          backs to suit the way it turns, and takes back how far they stand off.
        </p>
      )}
      <form
        className="grid gap-3 sm:grid-cols-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate();
        }}
      >
        <TextEntry {...props} id="name" label="Name" />
        <TextEntry {...props} id="width" label="Largest sheet, width" error="largest.width" />
        <TextEntry {...props} id="height" label="Largest sheet, height" error="largest.height" />
        <TextEntry {...props} id="unprintable" label="Unprintable edge" />
        <Pick
          value={entry.flips ?? ""}
          label="Turns sheets by itself on"
          options={flips}
          onChange={(value) => set("flips", value)}
        />
        <span />
        <Pick
          value={entry.stacks ?? ""}
          label="Printed sheets come to lie"
          options={stacks}
          onChange={(value) => set("stacks", value)}
        />
        <Pick
          value={entry.feeds ?? ""}
          label="In its tray it prints the side that lies"
          options={feeds}
          onChange={(value) => set("feeds", value)}
        />
        <span />
        <TextEntry {...props} id="back_right" label="Backs stand too far right by" />
        <TextEntry {...props} id="back_down" label="Backs stand too low by" />
        <p className="text-sm text-faded">
          Read both off the back-shift sheet of a job, held against the light.
        </p>
        <div className="flex gap-2 sm:col-span-3">
          <Button kind="main" type="submit" disabled={keep.isPending}>
            {id === null ? "Add this printer" : "Keep the changes"}
          </Button>
          {id !== null && (
            <Button onClick={() => remove.mutate(id)} disabled={remove.isPending}>
              Remove it
            </Button>
          )}
          <span role="status" className="self-center text-sm">
            {keep.isSuccess && "Kept. What is new in it is printed by once it is chosen anew."}
          </span>
        </div>
      </form>
    </Modal>
  );
}
