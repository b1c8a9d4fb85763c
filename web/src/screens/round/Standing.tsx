/** Where this stands: what is accused, the suspects with their evidence, and the one test or repair that is next. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import type { Schemas, VisitShown } from "../../api/client";
import { Button } from "../../shell/controls";
import { StepLink } from "../../shell/StepLink";
import { capital } from "../../shell/words";
import { CONTROL } from "./path";

type Suspect = Schemas["Suspect"];

const SHOWN = 3;
/** Under this a suspect is shown only on request, once a part is accused. */
const FAINT = 0.03;

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
  const { suspects, accused, ahead } = visit.round.diagnosis;
  const next = ahead[0];
  const [all, setAll] = useState(false);
  const first = suspects.slice(0, SHOWN);
  const shown = all ? suspects : accused.length > 0 ? first.filter((one) => one.probability >= FAINT) : first;
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
      {(all || suspects.length > shown.length) && (
        <Button look="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? "Fewer" : "All suspects"}
        </Button>
      )}
    </Part>
  );
}

function NextLink({ visit, next }: { visit: VisitShown; next: Schemas["NextTest"] }) {
  const title = `${next.title} (${next.minutes} min, ${next.power})`;
  if (next.repairs == null) return <PointLink visit={visit} point={next.point} title={title} />;
  return <StepLink to={`/visits/${visit.id}?repair=${encodeURIComponent(next.repairs)}`}>{title}</StepLink>;
}

/** One tap to where a point is read, by the step's own title where no other is given. */
function PointLink({ visit, point, title }: { visit: VisitShown; point: string; title?: string }) {
  const step = visit.round.stations.flatMap(({ steps }) => steps).find((one) => one.point === point);
  const words = title ?? step?.title ?? "";
  if (!step && point !== CONTROL) return <b>{words}</b>;
  return <StepLink to={`/visits/${visit.id}?point=${point}`}>{words}</StepLink>;
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
    <Box as="li" listStyleType="none" fontSize="sm">
      <Flex gap="2" align="center">
        <Text className="num" fontWeight="700" minW="3rem">
          {probability < 0.01 ? "< 1" : Math.round(probability * 100)} %
        </Text>
        <Box flex="1">
          <Text>{says}</Text>
          <Box h="6px" bg="rule" aria-hidden>
            <Box h="6px" bg="ink" w={`${Math.max(1, Math.round(probability * 100))}%`} />
          </Box>
        </Box>
        {hasWhy && (
          <Button look="quiet" fontSize="sm" aria-expanded={open} onClick={() => setOpen(!open)}>
            Why
          </Button>
        )}
      </Flex>
      {open && (
        <Box pl="3.6rem">
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
