/** What was hidden, whether it was named, and each stamp beside what happened. */
import { chakra, Heading, Text } from "@chakra-ui/react";

import type { Schemas } from "../../api/client";
import { Mark } from "../../drawing/Mark";
import { Button } from "../../shell/controls";
import { FindingLines } from "../../shell/FindingLines";
import { capital } from "../../shell/words";
import { Lanes } from "../defrost/Lanes";
import { eventWords } from "../defrost/stampWords";
import type { Stamp } from "./Practice";

const Table = chakra("table");
const Cell = chakra("td", { base: { py: "1", pe: "4", borderBottomWidth: "1px", borderColor: "rule" } });
const Head = chakra("th", {
  base: { py: "1", pe: "4", textAlign: "start", color: "faint", fontWeight: "500" },
});

export function MarkedRun({
  marked,
  stamps,
  again,
}: {
  marked: Schemas["Marked"];
  stamps: Stamp[];
  again: () => void;
}) {
  return (
    <>
      <Heading as="h2" fontSize="xl" mb="2" display="flex" gap="2" alignItems="center">
        <Mark kind={marked.right ? "good" : "bad"} size={18} />
        {marked.right ? "Right" : "No, it was"}: {marked.fault}
      </Heading>
      <Text>{capital(marked.says)}</Text>
      {marked.proved && (
        <Text>
          <b>How it is proved</b> {marked.proved}
        </Text>
      )}
      {marked.mends && (
        <Text>
          <b>What mends it</b> {marked.mends}
        </Text>
      )}
      {marked.alike.length > 0 && (
        <Text color="faint">Shows the same, and only a meter parts them: {marked.alike.join(", ")}.</Text>
      )}
      <Button look="next" minH="60px" my="4" w={{ base: "100%", md: "auto" }} onClick={again}>
        Another one
      </Button>
      <Table w="100%" maxW="34rem" mb="5" aria-label="Your stamps">
        <thead>
          <tr>
            <Head scope="col">Change</Head>
            <Head scope="col">Happened</Head>
            <Head scope="col">Stamped</Head>
          </tr>
        </thead>
        <tbody>
          {marked.stamps.map(({ event, happened_s, stamped_s }) => (
            <tr key={event}>
              <Cell>{eventWords(event)}</Cell>
              <Cell className="num">{happened_s == null ? "it did not" : `${happened_s} s`}</Cell>
              <Cell className="num">{stamped_s == null ? "not stamped" : `${stamped_s} s`}</Cell>
            </tr>
          ))}
        </tbody>
      </Table>
      <FindingLines label="What your stamps say" findings={marked.findings} causes />
      <Lanes lanes={marked.lanes} stamps={stamps} />
    </>
  );
}
