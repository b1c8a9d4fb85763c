/** All keys of the round. */
import { chakra, Heading, Text } from "@chakra-ui/react";
import { Fragment, useEffect, useRef } from "react";

import { Button } from "../../shell/controls";
import { KEYS } from "./useRoundKeys";

const Dialog = chakra("dialog");
const List = chakra("dl");

export function KeysHelp({ close }: { close: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <Dialog
      ref={dialog}
      onClose={close}
      aria-labelledby="keys-title"
      m="auto"
      p="6"
      bg="panel"
      color="ink"
      borderWidth="1px"
      borderColor="edge"
    >
      <Heading id="keys-title" as="h2" fontSize="xl" mb="3">
        Keys
      </Heading>
      <List display="grid" gridTemplateColumns="auto 1fr" columnGap="5" rowGap="2" mb="4">
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
      <Button onClick={close} autoFocus>
        Close
      </Button>
    </Dialog>
  );
}
