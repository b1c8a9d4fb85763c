/** A wire tapped on the ladder: asked once, then it is on the not-put-back list. */
import { Flex, Text } from "@chakra-ui/react";

import { Button } from "../../shell/controls";

export function LiftWire({ what, lift, close }: { what: string; lift: () => void; close: () => void }) {
  return (
    <Flex
      role="group"
      aria-label="Lift this wire"
      bg="panel"
      borderWidth="1px"
      borderColor="copper"
      p="2"
      gap="2"
      align="center"
    >
      <Text flex="1" fontWeight="600">
        {what}
      </Text>
      <Button look="next" onClick={lift}>
        Put it on the list
      </Button>
      <Button look="quiet" onClick={close}>
        Not lifted
      </Button>
    </Flex>
  );
}
