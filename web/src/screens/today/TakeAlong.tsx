/** The day's own visits taken along on purpose, for where there is no signal. */
import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";

import { inWords, type Schemas } from "../../api/client";
import { ownOpen, takeDay } from "../../device/route";
import { Button } from "../../shell/controls";

export function TakeAlong({ visits }: { visits: Schemas["TodayVisit"][] }) {
  const [state, setState] = useState("");
  const [busy, setBusy] = useState(false);
  const count = ownOpen(visits).length;
  if (count === 0) return null;
  const take = async () => {
    setBusy(true);
    setState(`0 of ${count} on this device …`);
    try {
      await takeDay(visits, (done) =>
        setState(`${done} of ${count} on this device${done < count ? " …" : "."}`),
      );
    } catch (problem) {
      setState(inWords(problem, " What was fetched so far stays."));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Flex gap="3" align="center" wrap="wrap" mb="6">
      <Button disabled={busy} onClick={() => void take()}>
        Take this route with me
      </Button>
      <Text role="status">{state}</Text>
    </Flex>
  );
}
