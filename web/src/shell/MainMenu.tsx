/** The menu: the other screens, how things are shown, and signing out. */
import { chakra } from "@chakra-ui/react";
import { useId, useState } from "react";
import { Link } from "react-router";

import { api, data, inWords } from "../api/client";
import { queries } from "../api/queries";
import { useCoreState } from "../device/core";
import { isRefused, memberNow, useEntries } from "../device/entries";
import { useIsKept } from "../device/keepApp";
import { useHasDay } from "../device/route";
import { sessionIs } from "../device/session";
import { useMode } from "../theme/mode";
import { useScale } from "../theme/temperature";

export const PLACES = [
  { to: "/", name: "Today" },
  { to: "/find", name: "Units" },
  { to: "/watch", name: "Watch list" },
  { to: "/practice", name: "Practice" },
  { to: "/company", name: "Company" },
];

const line = {
  display: "flex",
  alignItems: "center",
  w: "100%",
  minH: "48px",
  px: "4",
  color: "ink",
  fontWeight: "600",
  textAlign: "start",
  cursor: "pointer",
  borderBottomWidth: "1px",
  borderColor: "rule",
  _hover: { bg: "paper" },
} as const;

const Place = chakra(Link, { base: line });
const Act = chakra("button", { base: line });
const Opener = chakra("button", {
  base: {
    minH: "44px",
    px: "3",
    color: "onBar",
    fontWeight: "600",
    borderWidth: "1px",
    borderColor: "onBarFaint",
    cursor: "pointer",
  },
});
// The browser's own popover: it closes on Escape, on a tap beside it, and gives the focus back.
const Sheet = chakra("div", {
  base: {
    position: "fixed",
    inset: "56px 8px auto auto",
    m: "0",
    w: "15rem",
    p: "0",
    bg: "panel",
    borderWidth: "1px",
    borderColor: "ink",
  },
});

/** `withPlaces`: the screens are listed on a laptop too, where the bar does not show them. */
export function MainMenu({ withPlaces }: { withPlaces: boolean }) {
  const id = useId();
  const [mode, turn] = useMode();
  const [scale, turnScale] = useScale();
  const close = () => document.getElementById(id)?.hidePopover();
  return (
    <>
      <Opener type="button" popoverTarget={id}>
        Menu
      </Opener>
      <Sheet id={id} popover="auto" role="group" aria-label="Menu">
        {PLACES.map(({ to, name }) => (
          <Place key={to} to={to} onClick={close} {...(!withPlaces && { hideFrom: "lg" })}>
            {name}
          </Place>
        ))}
        <Place to="/van" onClick={close}>
          Your van
        </Place>
        <Act type="button" onClick={turnScale}>
          Temperatures in {scale}; change
        </Act>
        <Act type="button" onClick={turn}>
          {mode === "dark" ? "Light" : "Dark"}
        </Act>
        <Place to="/password" onClick={close}>
          Change your password
        </Place>
        <SignOut />
        <Ready />
      </Sheet>
    </>
  );
}

/** Asks where something waits on this device; on its own, so that an entry draws no menu anew. */
function SignOut() {
  const mine = useEntries().filter((entry) => !isRefused(entry) && entry.member === memberNow()).length;
  const [asked, setAsked] = useState(false);
  const leave = async () => {
    if (mine > 0 && !asked) {
      setAsked(true);
      return;
    }
    try {
      await sessionIs(await data(api.DELETE("/api/v1/session")));
    } catch (problem) {
      const { say } = await import("./toast");
      say(inWords(problem, " Signing out needs signal."));
      return;
    }
    // What the one before saw is not there for the next.
    queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== "session" });
  };
  return (
    <Act type="button" onClick={() => void leave()}>
      {asked && mine > 0
        ? `Sign out all the same: ${mine} ${mine === 1 ? "entry waits" : "entries wait"} until you sign in here again`
        : "Sign out"}
    </Act>
  );
}

const READY = {
  off: "Getting ready for no signal …",
  loading: "Getting ready for no signal …",
  ready: "Ready without signal",
  failed: "Readings are judged by the server: this browser cannot do it by itself",
} as const;

/** Whether this device can do a visit without signal. */
function Ready() {
  const core = useCoreState();
  const kept = useIsKept();
  const day = useHasDay();
  return (
    <chakra.p role="status" px="4" py="3" fontSize="sm" color="faint">
      {READY[core === "ready" && !(kept && day) ? "loading" : core]}
    </chakra.p>
  );
}
