/** All keys of the round. */
import { chakra, Text } from "@chakra-ui/react";
import { Fragment } from "react";

import { Button } from "../../shell/controls";
import { Modal } from "../../shell/Modal";
import { KEYS } from "./useRoundKeys";

const List = chakra("dl");

export function KeysHelp({ close }: { close: () => void }) {
  return (
    <Modal title="Keys" close={close}>
      <List display="grid" gridTemplateColumns="auto 1fr" columnGap="5" rowGap="2" my="4">
        {KEYS.map(([key, what]) => (
          <Fragment key={key}>
            <dt className="num">
              <b>{key}</b>
            </dt>
            <dd>
              <Text>{what}</Text>
            </dd>
          </Fragment>
        ))}
      </List>
      <Button onClick={close}>Close</Button>
    </Modal>
  );
}
