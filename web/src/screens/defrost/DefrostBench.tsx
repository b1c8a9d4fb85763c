/** One defrost watched, a page each: how to make it happen today, the run, what it says, swapping the board, how often and its cost. */
import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { Link, useNavigate, useSearchParams } from "react-router";

import type { Round, VisitShown } from "../../api/client";
import { lift, stillOff } from "../../api/writes";
import { Button } from "../../shell/controls";
import { FindingLines } from "../../shell/FindingLines";
import { isOfRun } from "../../shell/points";
import { StepLink } from "../../shell/StepLink";
import { Photos } from "../unit/Photos";
import { CONTROL } from "../round/path";
import { Answers } from "./Answers";
import { IntervalCost } from "./IntervalCost";
import { Lanes } from "./Lanes";
import { Run } from "./Run";
import { StampList } from "./StampList";
import { SwapGuide } from "./SwapGuide";

type Defrost = Round["defrost"];

const PAGES = [
  ["how", "How to force it"],
  ["run", "Run"],
  ["says", "What it says"],
  ["swap", "Swap the board"],
  ["cost", "How often, what it costs"],
] as const;
type Page = (typeof PAGES)[number][0];

const Tab = chakra(Link);

export function DefrostBench({ visit }: { visit: VisitShown }) {
  const { defrost } = visit.round;
  const [query] = useSearchParams();
  const go = useNavigate();
  const finished = visit.round.finished_at != null;
  const findings = visit.round.assessment.findings.filter(isOfRun);
  const page = PAGES.find(([name]) => name === query.get("page"))?.[0] ?? begins(defrost);
  const to = (name: Page) => `/visits/${visit.id}/defrost?page=${name}`;
  const says = <FindingLines label="What this run says" findings={findings} causes />;
  return (
    <Box as="section" aria-label="Defrost bench">
      <Heading as="h1" fontSize="xl" mb="2">
        Watch one defrost
      </Heading>
      <Flex
        as="nav"
        aria-label="Defrost, page by page"
        overflowX="auto"
        mb="3"
        borderBottomWidth="1px"
        borderColor="edge"
      >
        {PAGES.map(([name, words]) => (
          <Tab
            key={name}
            to={to(name)}
            replace
            aria-current={name === page ? "page" : undefined}
            flex="none"
            px="3"
            minH="48px"
            display="grid"
            placeItems="center"
            fontWeight={name === page ? "700" : "500"}
            borderBottomWidth="4px"
            borderColor={name === page ? "copper" : "transparent"}
          >
            {words}
          </Tab>
        ))}
      </Flex>
      {page === "how" && (
        <>
          <Way visit={visit} defrost={defrost} disabled={finished} />
          <Button
            look="next"
            w={{ base: "100%", md: "auto" }}
            minH="60px"
            mb="4"
            onClick={() => void go(to("run"))}
          >
            On to the run
          </Button>
          <Photos
            unit={visit.unit_id}
            visit={visit.id}
            about="force pins"
            title="Where the pins are on this board"
          />
        </>
      )}
      {page === "run" && (
        <>
          {!finished && <Run visit={visit} defrost={defrost} ended={() => void go(to("says"))} />}
          {says}
        </>
      )}
      {page === "says" && (
        <>
          <Answers visit={visit.id} defrost={defrost} disabled={finished} />
          {says}
          <Lanes lanes={defrost.lanes} stamps={defrost.stamps} />
          {!finished && <StampList visit={visit.id} defrost={defrost} />}
        </>
      )}
      {page === "swap" && <SwapGuide visit={visit} disabled={finished} />}
      {page === "cost" && <IntervalCost visit={visit} />}
    </Box>
  );
}

/** Where a technician goes on: into a run that is watched, to what one said, else to how it is forced. */
function begins(defrost: Defrost): Page {
  if (!defrost.stamps.some(({ event }) => event === "forced")) return "how";
  return defrost.stopped ? "says" : "run";
}

function Way({ visit, defrost, disabled }: { visit: VisitShown; defrost: Defrost; disabled: boolean }) {
  const { pins, pins_hold_s } = visit.round.plate.defrost;
  const off = new Set(stillOff(visit.round.lifted).map((line) => line.what));
  return (
    <Box mb="3">
      <Text mb="2" color={defrost.outlook ? undefined : "faint"}>
        {defrost.outlook
          ? defrost.outlook.why
          : "Enter the outdoor temperature and humidity on the Plate station to see whether it frosts now."}
      </Text>
      {visit.round.plate.defrost.notes && (
        <Text mb="2" fontWeight="600">
          This board: {visit.round.plate.defrost.notes}
        </Text>
      )}
      <Heading as="h2" fontSize="md">
        How to force a defrost today
      </Heading>
      <ol>
        {defrost.way.steps.map((step, index) => (
          <Text as="li" key={step}>
            {index + 1}. {step}
          </Text>
        ))}
      </ol>
      {defrost.way.way === "unknown" && (
        <StepLink to={`/visits/${visit.id}?point=${CONTROL}`}>Which defrost control it has</StepLink>
      )}
      {(pins || pins_hold_s != null) && (
        <Text mt="1" fontWeight="600">
          {[pins, pins_hold_s != null && `held for ${pins_hold_s} s`].filter(Boolean).join(", ")}
        </Text>
      )}
      {defrost.way.signs && <Text color="faint">{defrost.way.signs}</Text>}
      {defrost.way.caution && (
        <Text color="ochre" fontWeight="600">
          {defrost.way.caution}
        </Text>
      )}
      {!disabled && (
        <Flex gap="2" wrap="wrap" mt="2">
          {defrost.way.lifts
            .filter((what) => !off.has(what))
            .map((what) => (
              <Button key={what} onClick={() => lift(visit.id, what)}>
                {what}: put it on the list
              </Button>
            ))}
        </Flex>
      )}
    </Box>
  );
}
