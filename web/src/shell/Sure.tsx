/** A button for what cannot be taken lightly: it asks once, plainly, in its own place. */
import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";

import { Button } from "./controls";

export function Sure({ ask, yes, onYes }: { ask: string; yes: string; onYes: () => void }) {
  const [asked, setAsked] = useState(false);
  if (!asked) return <Button onClick={() => setAsked(true)}>{yes}</Button>;
  return (
    <Flex
      role="group"
      aria-label={ask}
      gap="2"
      wrap="wrap"
      align="center"
      borderWidth="2px"
      borderColor="brick"
      p="2"
    >
      <Text fontWeight="600">{ask}</Text>
      <Button
        onClick={() => {
          setAsked(false);
          onYes();
        }}
      >
        Yes, {yes.charAt(0).toLowerCase() + yes.slice(1)}
      </Button>
      <Button look="quiet" onClick={() => setAsked(false)}>
        No
      </Button>
    </Flex>
  );
}
