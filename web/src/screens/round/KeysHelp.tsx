/** All keys of the round, and what can be said on its entry line. */
import { Box, chakra, Heading, Text } from "@chakra-ui/react";
import { Fragment } from "react";

import { inWords } from "../../api/client";
import { useLineWords } from "../../api/queries";
import { Button } from "../../shell/controls";
import { Modal } from "../../shell/Modal";
import { KEYS } from "./useRoundKeys";

const List = chakra("dl");
const Details = chakra("details");
const Summary = chakra("summary");

export function KeysHelp({ station, close }: { station: string; close: () => void }) {
  return (
    <Modal title="Keys" close={close}>
      <Pairs of={KEYS} />
      <LineWords station={station} />
      <Button onClick={close}>Close</Button>
    </Modal>
  );
}

function Pairs({ of }: { of: readonly (readonly [string, string])[] }) {
  return (
    <List display="grid" gridTemplateColumns="auto 1fr" columnGap="5" rowGap="2" my="4">
      {of.map(([key, what]) => (
        <Fragment key={key + what}>
          <dt className="num">
            <b>{key}</b>
          </dt>
          <dd>
            <Text>{what}</Text>
          </dd>
        </Fragment>
      ))}
    </List>
  );
}

/** The words of the station at hand are open, the others a tap away. */
function LineWords({ station }: { station: string }) {
  const words = useLineWords();
  return (
    <Box as="section" aria-label="Entry line" mb="4">
      <Heading as="h3" fontSize="md">
        On the entry line
      </Heading>
      <Text color="faint">
        Each reading by a word, then its value: <b className="num">herm 50.4 fan 7.4 case bulged</b>. What is
        not understood stays in the line.
      </Text>
      {words.isError && <Text color="brick">{inWords(words.error)}</Text>}
      {words.data?.map((one) => (
        <Details key={one.station} open={one.station === station}>
          <Summary minH="44px" display="list-item" py="2" fontWeight="600" cursor="pointer">
            {one.title}
          </Summary>
          <Pairs of={one.points.map((point) => [point.words.slice(0, 4).join(", "), point.title])} />
        </Details>
      ))}
    </Box>
  );
}
