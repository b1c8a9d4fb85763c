/** Which screen an address shows; signed out, every address shows the sign-in. */
import { lazy, Suspense, useEffect } from "react";
import { Route, Routes, useLocation } from "react-router";

import { useSession } from "./api/queries";
import { ErrorBoundary } from "./shell/ErrorBoundary";
import { Notice } from "./shell/Notice";
import { SignIn } from "./screens/signin/SignIn";

const round = () => import("./screens/round/RoundScreen");
const unit = () => import("./screens/unit/Unit");
const find = () => import("./screens/find/Find");
const sheet = () => import("./screens/sheet/Sheet");

const TodayScreen = lazy(() => import("./screens/today/Today"));
const RoundScreen = lazy(round);
const RulesScreen = lazy(() => import("./screens/rules/Rules"));
const RuleScreen = lazy(() => import("./screens/rule/RuleScreen"));
const PracticeScreen = lazy(() => import("./screens/practice/Practice"));
const VanScreen = lazy(() => import("./screens/van/Van"));
const MetersScreen = lazy(() => import("./screens/meters/Meters"));
const BoardsScreen = lazy(() => import("./screens/boards/Boards"));
const UnitScreen = lazy(unit);
const WatchScreen = lazy(() => import("./screens/watch/Watch"));
const FindScreen = lazy(find);
const TagScreen = lazy(() => import("./screens/unit/Tag"));
const CompanyScreen = lazy(() => import("./screens/company/Company"));
const PeopleScreen = lazy(() => import("./screens/people/People"));
const PasswordScreen = lazy(() => import("./screens/people/Password"));
const ComeInScreen = lazy(() => import("./screens/people/ComeIn"));
const FilesScreen = lazy(() => import("./screens/files/Files"));
const LicencesScreen = lazy(() => import("./screens/licences/Licences"));
const SheetScreen = lazy(sheet);
const Toaster = lazy(() => import("./shell/toast").then(({ Toaster }) => ({ default: Toaster })));

const AHEAD_MS = 1000;

/** Fetch what a technician goes to next while nothing else is asked for: at the unit there may be no signal. */
function useFetchedAhead(signedIn: boolean): void {
  useEffect(() => {
    if (!signedIn) return undefined;
    const fetchAll = () =>
      // What does not come now is asked for again, and its absence told, when its screen is opened.
      void Promise.allSettled([round, find, unit, sheet].map((screen) => screen()));
    const rest = window.setTimeout(fetchAll, AHEAD_MS);
    return () => window.clearTimeout(rest);
  }, [signedIn]);
}

/** What works without signal begins once somebody is signed in. */
function useDevice(signedIn: boolean): void {
  useEffect(() => {
    if (signedIn) void import("./device/begin").then(({ begin }) => begin());
  }, [signedIn]);
}

export function App() {
  const { pathname } = useLocation();
  const session = useSession();
  const signedIn = session.data?.member != null;
  useFetchedAhead(signedIn);
  useDevice(signedIn);
  if (session.isPending) return <Notice>Opening …</Notice>;
  if (session.isError) return <Notice>The server does not answer. This page tries again by itself.</Notice>;
  const link = /^\/come-in\/([\w-]+)$/.exec(window.location.pathname)?.[1];
  if (link !== undefined)
    return (
      <Suspense fallback={<Notice>Opening …</Notice>}>
        <ComeInScreen token={link} />
      </Suspense>
    );
  if (session.data.member == null) return <SignIn demo={session.data.demo ?? null} />;
  return (
    <ErrorBoundary at={pathname}>
      <Suspense fallback={<Notice>Opening …</Notice>}>
        <Routes>
          <Route path="/" element={<TodayScreen />} />
          <Route path="/rules" element={<RulesScreen />} />
          <Route path="/rule/:name" element={<RuleScreen />} />
          <Route path="/company" element={<CompanyScreen />} />
          <Route path="/password" element={<PasswordScreen />} />
          <Route path="/people" element={<PeopleScreen />} />
          <Route path="/licences" element={<LicencesScreen />} />
          <Route path="/files" element={<FilesScreen />} />
          <Route path="/watch" element={<WatchScreen />} />
          <Route path="/find" element={<FindScreen />} />
          <Route path="/u/:tag" element={<TagScreen />} />
          <Route path="/units/:unitId" element={<UnitScreen />} />
          <Route path="/boards" element={<BoardsScreen />} />
          <Route path="/practice" element={<PracticeScreen />} />
          <Route path="/van" element={<VanScreen />} />
          <Route path="/meters" element={<MetersScreen />} />
          <Route path="/visits/:visitId/sheet" element={<SheetScreen />} />
          <Route path="/visits/:visitId/:view?" element={<RoundScreen />} />
          <Route
            path="*"
            element={<Notice>There is no such page. Today’s visits are on the front page.</Notice>}
          />
        </Routes>
        <Toaster />
      </Suspense>
    </ErrorBoundary>
  );
}
