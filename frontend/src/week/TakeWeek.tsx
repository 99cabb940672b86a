/** The week to take along: a file for a calendar, an address it reads by itself, a sheet for the wall, a table. */
import { t } from "../app/words";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap } from "../api/client";
import { Button } from "../parts/controls";
import { Menu, MenuAction, MenuLink } from "../parts/Menu";
import { Modal } from "../parts/Modal";

export function TakeWeek({ first, days }: { first: string | null; days: number }) {
  const [calendar, setCalendar] = useState(false);
  const shown = new URLSearchParams({ days: String(days), ...(first ? { first } : {}) });
  return (
    <>
      <Menu trigger={t("week.download")} label={t("week.downloadTheWeek")}>
        <MenuLink href={`/api/week.pdf?${shown}`} newTab>
          {t("week.sheetForTheWall")}
        </MenuLink>
        <MenuLink href="/api/week.ics">{t("week.fileForACalendar")}</MenuLink>
        <MenuAction onSelect={() => setCalendar(true)}>{t("week.addressForACalendar")}</MenuAction>
        <MenuLink href="/api/week.csv">{t("week.table")}</MenuLink>
      </Menu>
      <Modal open={calendar} onOpenChange={setCalendar} title={t("week.addressForACalendar")}>
        <Address />
      </Modal>
    </>
  );
}

function Address() {
  const queries = useQueryClient();
  const feed = useQuery({
    queryKey: ["feed"],
    queryFn: async () => unwrap(await api.GET("/api/week/feed")),
  });
  const again = () => queries.invalidateQueries({ queryKey: ["feed"] });
  const make = useMutation({
    mutationFn: async () => unwrap(await api.POST("/api/week/feed", {})),
    onSettled: again,
  });
  const withdraw = useMutation({
    mutationFn: async () => {
      const { error, response } = await api.DELETE("/api/week/feed", {});
      if (error) unwrap({ error, response });
    },
    onSettled: () => {
      make.reset();
      return again();
    },
  });
  return (
    <div className="space-y-3">
      <p>{t("week.whoHasTheAddressReads")}</p>
      {make.data && (
        <label className="block text-sm text-faded">
          {t("week.shownThisOnce")}
          <input
            readOnly
            className="block w-full rounded border border-faded bg-sheet px-2 py-1 font-mono text-sm text-ink"
            value={make.data.address}
            onFocus={(event) => event.target.select()}
          />
        </label>
      )}
      <p className="text-faded">
        {feed.data?.there ? t("week.thereIsAnAddress") : t("week.thereIsNone")}
      </p>
      {(make.error ?? withdraw.error) && (
        <p role="alert" className="text-madder">
          {(make.error ?? withdraw.error)?.message}
        </p>
      )}
      <div className="flex gap-2">
        <Button kind="main" onClick={() => make.mutate()}>
          {feed.data?.there ? t("week.aNewAddressInItsPlace") : t("week.makeAnAddress")}
        </Button>
        {feed.data?.there && (
          <Button onClick={() => withdraw.mutate()}>{t("week.withdrawIt")}</Button>
        )}
      </div>
    </div>
  );
}
