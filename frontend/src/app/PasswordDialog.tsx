/** One's password: another one, or the same once more to sign out everywhere else. */
import { useMutation } from "@tanstack/react-query";
import { useId, useState } from "react";
import { api, ProblemError, unwrap } from "../api/client";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";

interface Fields {
  old: string;
  new: string;
}

const ENTRIES = [
  ["old", "Your password now", "current-password"],
  ["new", "Your password from now on", "new-password"],
] as const;

export function PasswordDialog({ onClose }: { onClose: () => void }) {
  const [entry, setEntry] = useState<Fields>({ old: "", new: "" });
  const change = useMutation({
    mutationFn: async (body: Fields) => {
      const { error, response } = await api.POST("/api/me/password", { body });
      if (error) unwrap({ error, response });
    },
    onSuccess: () => setEntry({ old: "", new: "" }),
  });
  const wrong = change.error instanceof ProblemError ? (change.error.problem.fields ?? {}) : {};
  return (
    <Modal open onOpenChange={(open) => !open && onClose()} title="Your password">
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(entry);
        }}
      >
        <p className="text-sm text-faded">
          Everywhere else you are signed in, you are signed out by this. The same password once more
          does that alone.
        </p>
        {ENTRIES.map(([id, label, autoComplete]) => (
          <PasswordField
            key={id}
            label={label}
            autoComplete={autoComplete}
            value={entry[id]}
            wrong={wrong[id]}
            onChange={(text) => setEntry((old) => ({ ...old, [id]: text }))}
          />
        ))}
        <div className="flex items-center gap-3">
          <Button kind="main" type="submit" disabled={!entry.old || !entry.new || change.isPending}>
            Keep it
          </Button>
          <span role="status" className="text-sm">
            {change.isSuccess && "Kept. You stay signed in here alone."}
            {change.error && Object.keys(wrong).length === 0 && change.error.message}
          </span>
        </div>
      </form>
    </Modal>
  );
}

function PasswordField({
  label,
  autoComplete,
  value,
  wrong,
  onChange,
}: {
  label: string;
  autoComplete: string;
  value: string;
  wrong: string | undefined;
  onChange: (text: string) => void;
}) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="block text-sm text-faded">
        {label}
      </label>
      <input
        id={id}
        type="password"
        autoComplete={autoComplete}
        className="w-full rounded border border-faded bg-sheet px-2 py-1 aria-invalid:border-2 aria-invalid:border-madder"
        value={value}
        aria-invalid={wrong ? true : undefined}
        aria-describedby={wrong ? `${id}-error` : undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {wrong && (
        <p id={`${id}-error`} role="alert" className="text-sm text-madder">
          {wrong}
        </p>
      )}
    </div>
  );
}
