/** How long a wait still takes, by the server's clock; announced when it is over. */
import { useEffect, useState } from "react";
import { t } from "../../../app/words";

const SECOND = 1_000;

function said(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds));
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  const rest = String(whole % 60).padStart(2, "0");
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, "0")}:${rest}` : `${minutes}:${rest}`;
}

export function Remaining({
  until,
  usual,
  ends,
  ahead,
}: {
  until: string;
  usual: string | null;
  ends: string;
  /** Milliseconds the server's clock is ahead of this device's. */
  ahead: number;
}) {
  const [now, setNow] = useState(() => Date.now() + ahead);
  useEffect(() => {
    const ticking = window.setInterval(() => setNow(Date.now() + ahead), SECOND);
    return () => window.clearInterval(ticking);
  }, [ahead]);
  const left = (Date.parse(until) - now) / SECOND;
  const over = left <= 0;
  const toUsual = usual ? (Date.parse(usual) - now) / SECOND : 0;
  return (
    <span className="figures">
      {!over && (
        <span role="timer" className="text-amber">
          {t("bench.atLeast", { left: said(left) })}
        </span>
      )}
      <span role="status" className="text-hill">
        {over &&
          (toUsual > 0
            ? t("bench.mayBeOver", { left: said(toUsual), ends })
            : t("bench.isOver", { ends }))}
      </span>
    </span>
  );
}
