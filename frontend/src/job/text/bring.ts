/** Sends a file as it is, and tells how far it has come; fetch cannot tell that. */
import { csrfToken, type Problem, type SourceText } from "../../api/client";

export function bring(
  file: File,
  onSent: (part: number) => void,
  signal: AbortSignal,
): Promise<SourceText> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", `/api/texts?name=${encodeURIComponent(file.name.slice(0, 200))}`);
    request.setRequestHeader("X-CSRFToken", csrfToken());
    request.setRequestHeader("Content-Type", "application/pdf");
    request.responseType = "json";
    request.upload.onprogress = (event) => {
      if (event.lengthComputable) onSent(event.loaded / event.total);
    };
    request.onload = () => {
      const reply: unknown = request.response;
      if (request.status === 201) resolve(reply as SourceText);
      else reject(new Error((reply as Problem | null)?.message ?? "The text was not taken."));
    };
    request.onerror = () => reject(new Error("The connection broke; bring the text again."));
    request.onabort = () => reject(new Error("Stopped; nothing was brought."));
    signal.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}
