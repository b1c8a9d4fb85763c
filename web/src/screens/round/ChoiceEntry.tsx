/** Choosing what is seen: one large answer a tap. Another answer corrects it for as long as the visit is open. */
import { Box, SimpleGrid, Text } from "@chakra-ui/react";

import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { capital } from "../../shell/words";
import { isSecondTap, lockTaps } from "../../shell/secondTap";
import { NOTHING_SAID, writeReading, type Written } from "./writeReading";

interface Props extends Written {
  saved: (point: string) => void;
  goOn: () => void;
  onward: string;
  onwardTo: string;
  verdict: React.ReactNode;
}

export function ChoiceEntry(props: Props) {
  const { step, state, saved, goOn, onward, onwardTo, verdict } = props;
  return (
    <>
      <Box px={{ base: "3", lg: "0" }}>
        <SimpleGrid
          columns={{ base: step.choices.length > 3 ? 2 : 1, lg: Math.min(step.choices.length, 3) }}
          gap="2"
          role="group"
          aria-label={step.title}
        >
          {step.choices.map((choice, place) => (
            <Button
              key={choice}
              data-choice={place + 1}
              aria-pressed={state.entry?.value === choice}
              {...(state.entry?.value === choice && { bg: "ink", color: "paper" })}
              minH="56px"
              onClick={(event) => {
                if (isSecondTap(event)) return;
                lockTaps();
                writeReading(props, choice, NOTHING_SAID);
                saved(step.point);
              }}
            >
              <Text as="span" className="num" mr="2" opacity="0.75" hideBelow="lg">
                {place + 1}
              </Text>
              {capital(choice)}
            </Button>
          ))}
        </SimpleGrid>
        {state.refusal && <Problem id="seen-problem">{state.refusal.message}</Problem>}
      </Box>
      {verdict}
      <Box px={{ base: "3", lg: "0" }} pb={{ base: "3", lg: "0" }} mt={{ lg: "3" }}>
        <Button
          data-reading-next
          look={state.entry ? "next" : "plain"}
          minH="52px"
          w={{ base: "100%", lg: "auto" }}
          aria-label={`${onward}: ${onwardTo}`}
          onClick={(event) => {
            if (isSecondTap(event)) return;
            lockTaps();
            goOn();
          }}
        >
          {onward}
        </Button>
      </Box>
    </>
  );
}
