/**
 * Readings of a calliper or a scale: over a serial line, or from the simulated ones that ship with Weald. One
 * that types like a keyboard needs nothing of this: it types into the field that waits for it.
 *
 * What an instrument sends is read, averaged and doubted by the core; here a line only finds its field.
 */
import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import { api, ProblemError, unwrap } from "../../../api/client";
import { t } from "../../../app/words";
import { Button, Tick } from "../../../parts/controls";

type Listener = (line: string) => void;

interface Instruments {
  /** The field that waits for readings; the last one that was entered. */
  listen: (listener: Listener | null) => void;
  /** A line an instrument sent. */
  sent: Listener;
  averaging: boolean;
  average: (averaging: boolean) => void;
}

const Context = createContext<Instruments | null>(null);

export function InstrumentProvider({ children }: { children: ReactNode }) {
  const listener = useRef<Listener | null>(null);
  const [averaging, average] = useState(false);
  const made = useMemo<Instruments>(
    () => ({
      listen: (next) => {
        listener.current = next;
      },
      sent: (line) => listener.current?.(line),
      averaging,
      average,
    }),
    [averaging],
  );
  return <Context value={made}>{children}</Context>;
}

/** What an instrument read, and whether an odd reading counts. */
export function ReadWords({ readings }: { readings: ReturnType<typeof useReadings> }) {
  if (!readings.words) return null;
  return (
    <span role="status" className="block text-sm text-faded">
      {readings.words}
      {readings.countIt && (
        <Button kind="quiet" onClick={readings.countIt}>
          {t("bench.countItIn")}
        </Button>
      )}
    </span>
  );
}

/** Readings for one field: several make an average where that is asked for. */
export function useReadings(onText: (text: string) => void) {
  const instruments = useContext(Context);
  const lines = useRef<string[]>([]);
  const [words, setWords] = useState("");
  const averaging = instruments?.averaging ?? false;
  const [odd, setOdd] = useState<string[] | null>(null);
  const read = useCallback(
    async (all: string[], insist: boolean) => {
      const before = lines.current;
      lines.current = all;
      try {
        const asked = { body: { lines: all, bare: "mm" as const, insist } };
        const found = unwrap(await api.POST("/api/readings", asked));
        // a button pressed fast sends the next one before this is answered
        if (lines.current !== all) return;
        setOdd(null);
        onText(found.text);
        setWords(t("bench.readings", { list: found.shown.join(", "), count: found.shown.length }));
      } catch (error) {
        // an odd one is not counted in unless it is meant so
        if (lines.current === all) lines.current = before;
        if (!(error instanceof ProblemError)) return;
        setOdd(error.problem.code === "odd_reading" ? all : null);
        setWords(error.message);
      }
    },
    [onText],
  );
  const take = useCallback(
    (line: string) => read(averaging ? [...lines.current, line] : [line], false),
    [averaging, read],
  );
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  }, [take]);
  const listen = useCallback(() => {
    instruments?.listen((line) => void latest.current(line));
  }, [instruments]);
  const forget = useCallback(() => {
    lines.current = [];
    setWords("");
    setOdd(null);
  }, []);
  const countIt = odd ? () => void read(odd, true) : null;
  return { listen, words, forget, countIt };
}

interface SerialPort {
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
}

const BAUD_RATE = 9_600;

/** Reads lines from a serial port until it is closed. */
async function readLines(port: SerialPort, onLine: Listener): Promise<void> {
  await port.open({ baudRate: BAUD_RATE });
  const reader = port.readable?.getReader();
  const decoder = new TextDecoder();
  let rest = "";
  while (reader) {
    const { value, done } = await reader.read();
    if (done) return;
    const parts = (rest + decoder.decode(value, { stream: true })).split(/[\r\n]+/);
    rest = parts.pop() ?? "";
    parts.filter((line) => line.trim()).forEach(onLine);
  }
}

/** Where an instrument is connected, or simulated. */
export function InstrumentPanel() {
  const instruments = useContext(Context);
  const [thing, setThing] = useState("12");
  const [inches, setInches] = useState(false);
  const [scale, setScale] = useState(false);
  const [said, setSaid] = useState("");
  const serial = (navigator as { serial?: { requestPort: () => Promise<SerialPort> } }).serial;
  useEffect(() => () => instruments?.listen(null), [instruments]);
  if (!instruments) return null;
  const press = async () => {
    try {
      const name = scale ? "scale" : "calliper";
      const unit = scale ? "g" : inches ? "in" : "mm";
      const { line } = unwrap(
        await api.GET("/api/instruments/{name}/line", {
          params: { path: { name }, query: { thing, unit } },
        }),
      );
      setSaid(line.trim());
      instruments.sent(line);
    } catch (error) {
      setSaid(error instanceof ProblemError ? error.message : t("bench.noInstrument"));
    }
  };
  const connect = async () => {
    if (!serial) return;
    try {
      await readLines(await serial.requestPort(), instruments.sent);
    } catch {
      setSaid(t("bench.noInstrument"));
    }
  };
  return (
    <details className="mt-4 text-sm">
      <summary className="cursor-pointer font-semibold">{t("bench.instruments")}</summary>
      <p className="my-1">{t("bench.howToRead")}</p>
      <Tick checked={instruments.averaging} onChange={instruments.average}>
        {t("bench.averageSeveral")}
      </Tick>
      {serial && <Button onClick={() => void connect()}>{t("bench.connectSerial")}</Button>}
      <fieldset className="mt-2 rounded border border-rule p-2">
        <legend className="px-1 font-semibold">{t("bench.simulated")}</legend>
        <label className="block">
          {t("bench.heldTo")}
          <input
            className="figures ml-2 h-8 w-20 rounded border border-faded bg-sheet px-2"
            value={thing}
            onChange={(event) => setThing(event.target.value)}
          />
        </label>
        <Tick checked={inches} onChange={setInches}>
          {t("bench.readsInches")}
        </Tick>
        <Tick checked={scale} onChange={setScale}>
          {t("bench.isAScale")}
        </Tick>
        <Button onClick={() => void press()}>{t("bench.pressIt")}</Button>
        <output className="figures ml-2">{said}</output>
      </fieldset>
    </details>
  );
}
