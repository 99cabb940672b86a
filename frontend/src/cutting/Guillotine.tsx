/** The simulated guillotine: cut by the table of cuts, and look at what falls. */
import { t } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { Modal } from "../parts/Modal";

export function Guillotine({ cuttingId, onClose }: { cuttingId: string; onClose: () => void }) {
  const fallen = useQuery({
    queryKey: ["guillotine", cuttingId],
    queryFn: async () =>
      unwrap(
        await api.POST("/api/cuttings/{cutting_id}/guillotine", {
          params: { path: { cutting_id: cuttingId } },
        }),
      ),
    retry: false,
  });
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={t("cutting.onTheSimulatedGuillotine")}
      wide
    >
      {fallen.error && <p role="alert">{fallen.error.message}</p>}
      {fallen.isPending && <p>{t("cutting.cutting")}</p>}
      {fallen.data && (
        <>
          <p role="status" className="mb-3 font-semibold">
            {t("cutting.readFromTheTable", {
              mark: fallen.data.right ? "● " : "■ ",
              message: fallen.data.message,
              cuts: fallen.data.cuts,
            })}
          </p>
          <table className="figures w-full text-left text-sm">
            <thead>
              <tr className="border-b border-rule text-faded">
                <th className="py-1 pr-3 font-normal">{t("cutting.whatFell")}</th>
                <th className="pr-3 font-normal">{t("common.count")}</th>
                <th className="pr-3 font-normal">{t("cutting.measures")}</th>
                <th className="pr-3 font-normal">{t("common.grain")}</th>
                <th className="font-normal">{t("cutting.asAsked")}</th>
              </tr>
            </thead>
            <tbody>
              {fallen.data.pieces.map((piece) => (
                <tr key={piece.name} className="border-b border-rule">
                  <th scope="row" className="py-1 pr-3 font-normal">
                    {piece.name}
                  </th>
                  <td className="pr-3">{piece.count}</td>
                  <td className="pr-3">{piece.size}</td>
                  <td className="pr-3">{piece.grain}</td>
                  <td className={piece.right ? "" : "font-semibold text-madder"}>
                    {piece.right ? t("common.yes") : t("cutting.no")}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </Modal>
  );
}
