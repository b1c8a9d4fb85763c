/** What the readings add up to: parts they point to, the locked-rotor ladder, figures that are only shown. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { Link } from "react-router";

import type { VisitShown } from "../../api/client";

const STATE: Record<string, { word: string; color: string }> = {
  done: { word: "done", color: "faint" },
  found: { word: "found here", color: "brick" },
  next: { word: "next", color: "copper" },
  later: { word: "later", color: "faint" },
  skipped: { word: "not done", color: "faint" },
};

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box as="section" aria-label={title} borderTopWidth="1px" borderColor="edge" pt="3">
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="1">
        {title}
      </Heading>
      {children}
    </Box>
  );
}

export function Accused({ visit }: { visit: VisitShown }) {
  const accused = visit.round.assessment.accused ?? [];
  if (accused.length === 0) return null;
  return (
    <Part title="Parts these readings blame">
      {accused.map(({ part, why, rules }) => (
        <Text key={part} mb="1">
          <b>{part.charAt(0).toUpperCase() + part.slice(1)}.</b> {why}{" "}
          <Text as="span" fontSize="sm" color="faint">
            {rules.join(", ")}
          </Text>
        </Text>
      ))}
    </Part>
  );
}

export function Ladder({ visit }: { visit: VisitShown }) {
  const rungs = visit.round.assessment.ladder ?? [];
  if (rungs.length === 0) return null;
  const stationOf = (point: string) =>
    visit.round.stations.find((station) => station.steps.some((step) => step.point === point))?.name;
  return (
    <Part title="It does not start: in this order">
      <ol>
        {rungs.map(({ title, state, point, why }, index) => {
          const about = STATE[state] ?? { word: state, color: "faint" };
          const station = stationOf(point);
          return (
            <Flex as="li" key={title} gap="2" py="1" align="baseline">
              <Text as="span" className="num" color="faint">
                {index + 1}
              </Text>
              <Box flex="1">
                {state === "next" && station ? (
                  <Link to={`/visits/${visit.id}/${station}`}>
                    <Text as="span" color="copper" fontWeight="700" textDecoration="underline">
                      {title}
                    </Text>
                  </Link>
                ) : (
                  <Text as="span" fontWeight={state === "found" ? "700" : "400"}>
                    {title}
                  </Text>
                )}
                {why && (
                  <Text fontSize="sm" color="faint">
                    {why}
                  </Text>
                )}
              </Box>
              <Text fontSize="sm" color={about.color} fontWeight="600" whiteSpace="nowrap">
                {about.word}
              </Text>
            </Flex>
          );
        })}
      </ol>
    </Part>
  );
}

export function Figures({ visit }: { visit: VisitShown }) {
  const figures = visit.round.assessment.figures ?? [];
  if (figures.length === 0) return null;
  return (
    <Part title="Computed, not judged">
      {figures.map(({ name, value, half, unit }) => (
        <Text key={name}>
          {name}{" "}
          <b className="num">
            {value} ± {half} {unit}
          </b>
        </Text>
      ))}
    </Part>
  );
}
