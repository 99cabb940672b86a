import { speak, t } from "./words";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useEffect } from "react";
import { Link, Route, Routes } from "react-router";
import { api, unwrap } from "../api/client";
import { whyNot } from "../api/problem";
import { PersonContext } from "./person";
import { Shell } from "./Shell";

const Desk = lazy(() => import("../desk/Desk"));
const JobPage = lazy(() => import("../job/JobPage"));
const Shelf = lazy(() => import("../shelf/Shelf"));
const HouseRules = lazy(() => import("../house/HouseRules"));
const Sets = lazy(() => import("../sets/Sets"));
const SetPage = lazy(() => import("../sets/SetPage"));
const CuttingRoom = lazy(() => import("../cutting/CuttingRoom"));
const WeekPage = lazy(() => import("../week/WeekPage"));
const Workplace = lazy(() => import("../week/Workplace"));
const Office = lazy(() => import("../office/Office"));
const Costs = lazy(() => import("../office/Costs"));
const Learnt = lazy(() => import("../office/Learnt"));
const DaybookPage = lazy(() => import("../office/DaybookPage"));
const PracticeRoom = lazy(() => import("../practice/PracticeRoom"));
const CuttingPage = lazy(() => import("../cutting/CuttingPage"));

export function App() {
  const me = useQuery({
    queryKey: ["me"],
    queryFn: async () => unwrap(await api.GET("/api/me")),
    staleTime: Infinity,
  });
  speak(me.data?.vocabulary ?? "signature");
  useEffect(() => {
    document.documentElement.dataset.theme = me.data?.theme ?? "system";
  }, [me.data?.theme]);

  if (me.error && whyNot(me.error) === "signed_out") {
    window.location.assign("/sign-in");
    return null;
  }
  if (me.error && !me.data) {
    return (
      <main className="p-8">
        <p role="alert">{t("app.messageReloadThePageToTry", { message: me.error.message })}</p>
      </main>
    );
  }
  if (!me.data) return <main className="p-8">{t("app.openingTheWorkshop")}</main>;
  return (
    <PersonContext value={me.data}>
      <Shell>
        <Suspense fallback={<main className="p-8">{t("common.oneMoment")}</main>}>
          <Routes>
            <Route path="/" element={<Desk />} />
            <Route path="/jobs/:jobId" element={<JobPage />} />
            <Route path="/jobs/:jobId/:station" element={<JobPage />} />
            <Route path="/shelf" element={<Shelf />} />
            <Route path="/house" element={<HouseRules />} />
            <Route path="/sets" element={<Sets />} />
            <Route path="/sets/:setId" element={<SetPage />} />
            <Route path="/cutting" element={<CuttingRoom />} />
            <Route path="/cutting/:cuttingId" element={<CuttingPage />} />
            <Route path="/jobs/:jobId/costs" element={<Costs />} />
            <Route path="/office" element={<Office />} />
            <Route path="/daybook/learnt" element={<Learnt />} />
            <Route path="/daybook" element={<DaybookPage />} />
            <Route path="/week" element={<WeekPage />} />
            <Route path="/week/people" element={<Workplace />} />
            <Route path="/practice" element={<PracticeRoom />} />
            <Route path="*" element={<Nowhere />} />
          </Routes>
        </Suspense>
      </Shell>
    </PersonContext>
  );
}

function Nowhere() {
  return (
    <main className="p-8">
      <h1 className="text-2xl">{t("app.thereIsNoSuchPage")}</h1>
      <p className="mt-2">
        <Link className="text-hill underline" to="/">
          {t("common.backToTheDesk")}
        </Link>
      </p>
    </main>
  );
}
