/**
 * Undo of text, within the field one is in and since one came to it.
 *
 * A browser's own undo goes back through every field of the page, and puts texts together that were set by hand.
 */
const TEXT = new Set(["text", "search", "email", "url", "tel", "password", ""]);
const TOGETHER_MS = 400;

type Field = HTMLInputElement | HTMLTextAreaElement;

function asField(target: EventTarget | null): Field | null {
  if (target instanceof HTMLTextAreaElement) return target;
  return target instanceof HTMLInputElement && TEXT.has(target.type) ? target : null;
}

/** Puts a text into a field so that React hears of it. */
function put(field: Field, text: string): void {
  const kind = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
  Object.getOwnPropertyDescriptor(kind.prototype, "value")?.set?.call(field, text);
  field.dispatchEvent(new Event("input", { bubbles: true }));
}

export function watchText(page: Document): () => void {
  let field: Field | null = null;
  let past: string[] = [];
  let future: string[] = [];
  let now = "";
  let typedAt = 0;
  let moving = false;

  const begin = (target: Field | null) => {
    field = target;
    past = [];
    future = [];
    now = target?.value ?? "";
    typedAt = 0;
  };
  const onFocus = (event: FocusEvent) => begin(asField(event.target));
  const onInput = (event: Event) => {
    const target = asField(event.target);
    if (!target || moving) return;
    if (target !== field) begin(target);
    if (event.timeStamp - typedAt > TOGETHER_MS || past.length === 0) past.push(now);
    typedAt = event.timeStamp;
    future = [];
    now = target.value;
  };
  const move = (from: string[], to: string[]) => {
    const text = from.pop();
    if (text === undefined || !field) return;
    to.push(field.value);
    moving = true;
    put(field, text);
    moving = false;
    now = text;
    typedAt = 0;
  };
  const onKey = (event: KeyboardEvent) => {
    if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
    const key = event.key.toLowerCase();
    if (key !== "z" && key !== "y") return;
    const here = asField(event.target);
    // elsewhere the page's own keys say what is undone; the browser would go back through fields
    event.preventDefault();
    if (!here || here !== field) return;
    if (key === "y" || event.shiftKey) move(future, past);
    else move(past, future);
  };
  page.addEventListener("focusin", onFocus);
  page.addEventListener("input", onInput, true);
  page.addEventListener("keydown", onKey, true);
  return () => {
    page.removeEventListener("focusin", onFocus);
    page.removeEventListener("input", onInput, true);
    page.removeEventListener("keydown", onKey, true);
  };
}
