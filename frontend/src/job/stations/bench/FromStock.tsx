/** What a piece is cut from, and whether the shelf holds enough of it. */
import type { LayReady } from "../../../api/client";
import { t } from "../../../app/words";

export function FromStock({ material }: { material: LayReady["materials"][number] }) {
  const { stock, wanted, there, short } = material;
  if (!stock) return <span className="block text-faded">{t("bench.noStockChosen")}</span>;
  return (
    <span className={`block ${short ? "font-semibold text-madder" : "text-faded"}`}>
      {short ? t("bench.short", { stock, wanted, there }) : t("bench.fromStock", { stock, wanted })}
    </span>
  );
}
