/** A new version of the app was fetched: it is taken by a tap, or when nobody looks and nothing is half typed. */
import { chakra } from "@chakra-ui/react";
import { useEffect } from "react";

import { hasDraft } from "../api/draft";
import { useNewVersion } from "../device/keepApp";

const Line = chakra("button", {
  base: {
    display: "block",
    w: "100%",
    minH: "44px",
    px: "3",
    bg: "panel",
    color: "ink",
    borderBottomWidth: "1px",
    borderColor: "edge",
    fontWeight: "600",
    textAlign: "start",
    cursor: "pointer",
  },
});

export function NewVersion() {
  const take = useNewVersion();
  useEffect(() => {
    if (take === undefined) return undefined;
    const quietly = () => {
      if (document.hidden && !hasDraft()) take();
    };
    document.addEventListener("visibilitychange", quietly);
    return () => document.removeEventListener("visibilitychange", quietly);
  }, [take]);
  if (take === undefined) return null;
  return (
    <Line type="button" className="no-print" onClick={take}>
      A new version is ready. Tap to change to it; what is typed stays.
    </Line>
  );
}
