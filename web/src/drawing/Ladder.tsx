/** This unit's ladder, drawn from the core's data: two rails, a rung for each thing, and where the probes go. */
import { Box, Flex, Text, useToken } from "@chakra-ui/react";

import type { Schemas } from "../api/client";
import { LadderSymbol, LadderWords } from "./LadderSymbol";
import { Clamp, Tip } from "./Probe";
import { useZoom } from "./useZoom";

export type LadderData = Schemas["Ladder"];
type Section = Schemas["Section"];
type Stroke = Schemas["Stroke"];

const WIDE = 360;

/** The colours of the drawing, as the mode of the day has them. */
export interface Tones {
  ink: string;
  faint: string;
  edge: string;
  panel: string;
  brick: string;
  brickTint: string;
  copper: string;
  ochre: string;
  frost: string;
}

const NAMES: (keyof Tones)[] = [
  "ink",
  "faint",
  "edge",
  "panel",
  "brick",
  "brickTint",
  "copper",
  "ochre",
  "frost",
];

function useTones(): Tones {
  const values = useToken("colors", NAMES);
  return Object.fromEntries(NAMES.map((name, place) => [name, values[place]])) as unknown as Tones;
}

interface Props {
  ladder: LadderData;
  point: string;
  /** Called with what goes on the not-put-back list, where a wire that can be lifted is tapped. */
  lift?: ((what: string) => void) | undefined;
}

/** All of it: line voltage and 24 V, beside each other where there is room. */
export function Ladder({ ladder, point, lift }: Props) {
  const zoom = useZoom();
  const isLive = ladder.sections.some(({ strokes }) => strokes.some(({ live }) => live !== ""));
  return (
    <Box as="figure" aria-label="This unit, as wired" bg="panel" borderWidth="1px" borderColor="rule" p="2">
      <Flex justify="space-between" gap="3" wrap="wrap" fontSize="sm" color="faint">
        <Text fontWeight="700">This unit, as wired</Text>
        <Text>
          heavy: proven · dashed: not yet · red: suspect{isLive && " · amber, blue: live as a sound unit is"}
        </Text>
      </Flex>
      <Box {...zoom.frame}>
        <Flex {...zoom.inner} wrap={{ base: "wrap", lg: "nowrap" }} gap="3" align="flex-start">
          {ladder.sections.map((section) => (
            <Box key={section.name} flex="1 1 300px" minW="0">
              <Drawn
                section={section}
                top={0}
                bottom={section.height}
                point={point}
                says={describe(ladder, section, point)}
                {...(lift && { lift })}
              />
            </Box>
          ))}
        </Flex>
      </Box>
    </Box>
  );
}

/** Only the rungs that the probes of a reading touch, large; nothing for a reading without probes. */
export function LadderRungs({ ladder, point }: Props) {
  for (const section of ladder.sections) {
    const spot = section.probes.find((one) => one.point === point);
    if (!spot) continue;
    const rungs = section.rungs.filter(({ name }) => spot.rungs.includes(name));
    const top = Math.min(...rungs.map((rung) => rung.top));
    const bottom = Math.max(...rungs.map((rung) => rung.bottom));
    return (
      <Drawn
        section={section}
        top={top}
        bottom={bottom}
        point={point}
        says={describe(ladder, section, point)}
        fit
      />
    );
  }
  return null;
}

interface DrawnProps {
  section: Section;
  top: number;
  bottom: number;
  point: string;
  says: string;
  fit?: boolean;
  lift?: (what: string) => void;
}

function Drawn({ section, top, bottom, point, says, fit = false, lift }: DrawnProps) {
  const tones = useTones();
  const spot = section.probes.find((one) => one.point === point);
  return (
    <svg
      viewBox={`0 ${top} ${WIDE} ${bottom - top}`}
      role="img"
      aria-label={says}
      // No larger than what it shows: the rungs beside it stay out.
      style={
        fit
          ? {
              display: "block",
              margin: "0 auto",
              maxWidth: "100%",
              maxHeight: "100%",
              aspectRatio: `${WIDE} / ${bottom - top}`,
            }
          : { display: "block", width: "100%" }
      }
    >
      {section.strokes.map((stroke, place) => (
        <Wire key={place} stroke={stroke} tones={tones} />
      ))}
      {section.symbols.map((symbol, place) => (
        <LadderSymbol key={place} symbol={symbol} tones={tones} />
      ))}
      {section.spots.map(({ terminal, x, y, letter }, place) => (
        <g key={place}>
          <circle cx={x} cy={y} r="3.4" fill={tones.panel} stroke={tones.ink} strokeWidth="1.3">
            <title>{terminal.replace(".", " ").replaceAll("_", " ")}</title>
          </circle>
          {letter && <LadderWords words={letter} tones={tones} />}
        </g>
      ))}
      {lift &&
        section.strokes.map(
          (stroke, place) =>
            stroke.lifts !== "" &&
            !stroke.off && (
              <path
                key={`lift ${place}`}
                d={way(stroke)}
                fill="none"
                stroke="transparent"
                strokeWidth="22"
                style={{ cursor: "pointer" }}
                onClick={() => lift(stroke.lifts)}
              >
                <title>{stroke.lifts}: put it on the list</title>
              </path>
            ),
        )}
      {spot?.clamp && <Clamp at={spot.clamp} tones={tones} />}
      {spot?.black && <Tip at={spot.black} colour={tones.ink} panel={tones.panel} />}
      {spot?.red && <Tip at={spot.red} colour={tones.brick} panel={tones.panel} />}
    </svg>
  );
}

const way = (stroke: Stroke) => `M${stroke.places.map(({ x, y }) => `${x} ${y}`).join("L")}`;

function Wire({ stroke, tones }: { stroke: Stroke; tones: Tones }) {
  const { state, live, off } = stroke;
  const lit = live === "" ? null : live === "24V" ? tones.frost : tones.ochre;
  const plain = state === "not-yet" ? tones.faint : tones.ink;
  return (
    <path
      d={way(stroke)}
      fill="none"
      data-wire={stroke.wire}
      stroke={state === "suspect" ? tones.brick : (lit ?? plain)}
      strokeWidth={state === "rail" ? 1.6 : state === "not-yet" ? 1.3 : 2.4}
      strokeDasharray={off ? "2 7" : state === "not-yet" ? "5 4" : undefined}
    />
  );
}

function describe(ladder: LadderData, section: Section, point: string): string {
  const spot = section.probes.find((one) => one.point === point);
  return `${section.title}. ${ladder.says}${spot ? ` ${spot.says}` : ""}`;
}
