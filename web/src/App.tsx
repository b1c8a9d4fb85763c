/** Which screen an address shows; signed out, every address shows the sign-in. */
import { lazy, Suspense } from "react";
import { Route, Routes } from "react-router";

import { useSession } from "./api/queries";
import { Notice } from "./shell/Notice";
import { SignIn } from "./screens/signin/SignIn";

const TodayScreen = lazy(() => import("./screens/today/Today"));
const RoundScreen = lazy(() => import("./screens/round/RoundScreen"));
const RulesScreen = lazy(() => import("./screens/rules/Rules"));
const MetersScreen = lazy(() => import("./screens/meters/Meters"));
const BoardsScreen = lazy(() => import("./screens/boards/Boards"));
const UnitScreen = lazy(() => import("./screens/unit/Unit"));
const WatchScreen = lazy(() => import("./screens/watch/Watch"));
const FindScreen = lazy(() => import("./screens/find/Find"));
const TagScreen = lazy(() => import("./screens/unit/Tag"));
const SheetScreen = lazy(() => import("./screens/sheet/Sheet"));

export function App() {
  const session = useSession();
  if (session.isPending) return <Notice>Opening …</Notice>;
  if (session.isError) return <Notice>The server does not answer. This page tries again by itself.</Notice>;
  if (session.data.member == null) return <SignIn demo={session.data.demo ?? null} />;
  return (
    <Suspense fallback={<Notice>Opening …</Notice>}>
      <Routes>
        <Route path="/" element={<TodayScreen />} />
        <Route path="/rules" element={<RulesScreen />} />
        <Route path="/watch" element={<WatchScreen />} />
        <Route path="/find" element={<FindScreen />} />
        <Route path="/u/:tag" element={<TagScreen />} />
        <Route path="/units/:unitId" element={<UnitScreen />} />
        <Route path="/boards" element={<BoardsScreen />} />
        <Route path="/meters" element={<MetersScreen />} />
        <Route path="/visits/:visitId/sheet" element={<SheetScreen />} />
        <Route path="/visits/:visitId/:station?" element={<RoundScreen />} />
        <Route
          path="*"
          element={<Notice>There is no such page. The day's visits are at the front page.</Notice>}
        />
      </Routes>
    </Suspense>
  );
}
