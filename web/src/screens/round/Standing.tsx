/** Where this stands: what is accused, the suspects with their evidence, and the one test or repair that is next. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link } from "react-router";

import type { Schemas, VisitShown } from "../../api/client";
import { Button } from "../../shell/controls";
import { capital } from "../../shell/words";

type Suspect = Schemas["Suspect"];

const SHOWN = 3;

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

export function Standing({ visit }: { visit: VisitShown }) {
  const { suspects, accused, next } = visit.round.diagnosis;
  const [all, setAll] = useState(false);
  const shown = all ? suspects : suspects.slice(0, SHOWN);
  return (
    <Part title="Where this stands">
      {accused.map(({ part, fault, why }) => (
        <Text key={part + fault} mb="2">
          <Text as="span" color="brick" fontWeight="700">
            {capital(part)}.
          </Text>{" "}
          {why}
        </Text>
      ))}
      {next && <Next visit={visit} next={next} />}
      <ol>
        {shown.map((suspect) => (
          <SuspectLine key={suspect.fault} visit={visit} suspect={suspect} />
        ))}
      </ol>
      {suspects.length > SHOWN && (
        <Button look="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? "Fewer" : "All suspects"}
        </Button>
      )}
    </Part>
  );
}

/** The same in two lines, for a phone: who is accused or first suspected, and what is next. */
export function StandingBrief({ visit }: { visit: VisitShown }) {
  const { suspects, accused, next } = visit.round.diagnosis;
  const first = suspects[0];
  const who =
    accused.length > 0
      ? accused.map(({ part }) => capital(part)).join(", ")
      : first && `${first.says} (${Math.round(first.probability * 100)} %)`;
  if (!who && !next) return null;
  return (
    <Box
      display={{ base: "block", lg: "none" }}
      aria-label="Where this stands, in short"
      role="group"
      borderLeftWidth="4px"
      borderColor="copper"
      pl="3"
      mb="3"
    >
      {who && <Text fontWeight="600">{who}</Text>}
      {next && (
        <Text>
          Next: <NextLink visit={visit} next={next} />
        </Text>
      )}
    </Box>
  );
}

function NextLink({ visit, next }: { visit: VisitShown; next: Schemas["NextTest"] }) {
  return (
    <PointLink
      visit={visit}
      point={next.point}
      title={`${next.title} (${next.minutes} min, ${next.power})`}
    />
  );
}

/** One tap to where a point is read, by the step's own title where no other is given. */
function PointLink({ visit, point, title }: { visit: VisitShown; point: string; title?: string }) {
  const station = visit.round.stations.find(({ steps }) => steps.some((step) => step.point === point));
  const words = title ?? station?.steps.find((step) => step.point === point)?.title ?? "";
  if (!station) return <b>{words}</b>;
  return (
    <Link to={`/visits/${visit.id}/${station.name}?point=${point}`}>
      <Text as="span" color="copper" fontWeight="700" textDecoration="underline">
        {words}
      </Text>
    </Link>
  );
}

function Next({ visit, next }: { visit: VisitShown; next: Schemas["NextTest"] }) {
  return (
    <Box borderLeftWidth="4px" borderColor="copper" pl="3" mb="3">
      <Text fontSize="sm" color="faint">
        Next
      </Text>
      <NextLink visit={visit} next={next} />
      <Text fontSize="sm">{next.why}</Text>
    </Box>
  );
}

function SuspectLine({ visit, suspect }: { visit: VisitShown; suspect: Suspect }) {
  const [open, setOpen] = useState(false);
  const { says, probability, evidence_for, evidence_against, would_change } = suspect;
  const hasWhy = evidence_for.length + evidence_against.length > 0 || would_change !== "";
  return (
    <Box as="li" py="1" listStyleType="none">
      <Flex gap="2" align="baseline">
        <Text className="num" fontWeight="700" minW="3.2rem">
          {probability < 0.01 ? "< 1" : Math.round(probability * 100)} %
        </Text>
        <Text flex="1">{says}</Text>
        {hasWhy && (
          <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
            Why
          </Button>
        )}
      </Flex>
      {open && (
        <Box fontSize="sm" pl="3.8rem">
          {evidence_for.map((one) => (
            <Text key={one}>For: {one}</Text>
          ))}
          {evidence_against.map((one) => (
            <Text key={one} color="faint">
              Against: {one}
            </Text>
          ))}
          {would_change && (
            <Text>
              Would change it: <PointLink visit={visit} point={would_change} />
            </Text>
          )}
        </Box>
      )}
    </Box>
  );
}

export function Figures({ visit }: { visit: VisitShown }) {
  const figures = visit.round.assessment.figures;
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
