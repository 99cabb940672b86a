/** Sends a file to the server, and tells how far it has come; fetch cannot tell that. */
import { t } from "../app/words";
import { csrfToken } from "./client";
import { type Problem, ProblemError } from "./problem";

interface Bringing {
  onSent?: (part: number) => void;
  signal?: AbortSignal;
  /** Sent as a field of a form, for what is read from one; else the file as it is. */
  asForm?: boolean;
}

/** How far a file has come, in words: once it is all there, it is still to be read. */
export function howFar(sent: number): string {
  return sent < 1 ? `${String(Math.round(100 * sent))} %` : t("app.readingIt");
}

/** Sends a file; gives back what the server made of it, or throws what was wrong. */
export function bring<Reply>(
  path: string,
  file: File,
  { onSent, signal, asForm = false }: Bringing = {},
): Promise<Reply> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", path);
    request.setRequestHeader("X-CSRFToken", csrfToken());
    request.responseType = "json";
    request.upload.onprogress = (event) => {
      if (event.lengthComputable) onSent?.(event.loaded / event.total);
    };
    request.onload = () => {
      const reply: unknown = request.response;
      if (request.status >= 200 && request.status < 300) resolve(reply as Reply);
      else reject(new ProblemError(request.status, (reply as Problem | null) ?? unknown()));
    };
    request.onerror = () => reject(new Error(t("app.connectionBroke")));
    request.onabort = () => reject(new Error(t("app.broughtNothing")));
    signal?.addEventListener("abort", () => request.abort());
    if (asForm) {
      const form = new FormData();
      form.append("file", file);
      request.send(form);
    } else {
      request.setRequestHeader("Content-Type", file.type || "application/octet-stream");
      request.send(file);
    }
  });
}

const unknown = (): Problem => ({
  code: "refused",
  message: t("app.theFileWasNotAcceptedTry"),
  fields: {},
});

/** A path with the name of the file it is for. */
export function named(path: string, file: File): string {
  return `${path}?name=${encodeURIComponent(file.name.slice(0, 200))}`;
}
