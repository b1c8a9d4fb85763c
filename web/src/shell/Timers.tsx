/** The clocks that run, under the bar of every screen. */
import { Flex, Text } from "@chakra-ui/react";

import { dropTimer, left, useTimers } from "../api/timers";
import { Button } from "./controls";

export function Timers() {
  const { timers, now } = useTimers();
  if (timers.length === 0) return null;
  return (
    <Flex
      as="section"
      aria-label="Clocks"
      className="no-print"
      gap="3"
      px={{ base: "3", md: "5" }}
      py="1"
      wrap="wrap"
      bg="panel"
      borderBottomWidth="1px"
      borderColor="rule"
    >
      {timers.map((timer) => {
        const over = timer.ends <= now;
        return (
          <Flex key={timer.id} align="center" gap="2" role={over ? "alert" : undefined}>
            <Text fontWeight="600">{timer.name}</Text>
            <Text className="num" fontSize="xl" fontWeight="700" color={over ? "leaf" : "ink"}>
              {over ? "over" : left(timer, now)}
            </Text>
            <Button look="quiet" aria-label={`${timer.name}: take off`} onClick={() => dropTimer(timer.id)}>
              {over ? "Done" : "Stop"}
            </Button>
          </Flex>
        );
      })}
    </Flex>
  );
}
