/**
 * This unit's circuit, drawn from the server's graph of it: parts, terminals and wires, what is proven and what suspect,
 * and where the probes go for the reading at hand.
 */
import { Box, Flex, Text, useToken } from "@chakra-ui/react";
import { useMemo } from "react";

import { height, place, WIDE, type CabinetData } from "./cabinetLayout";
import { PartDrawing } from "./PartDrawing";
import { Clamp, Tip } from "./Probe";
import { routeAll } from "./route";

interface Props {
  cabinet: CabinetData;
  point: string;
}

export function Cabinet({ cabinet, point }: Props) {
  const [ink, faint, edge, panel, brick, brickTint, leaf, copper] = useToken("colors", [
    "ink",
    "faint",
    "edge",
    "panel",
    "brick",
    "brickTint",
    "leaf",
    "copper",
  ]) as [string, string, string, string, string, string, string, string];
  const tones = { ink, faint, edge, panel, brick, brickTint, leaf, copper };
  const shape = JSON.stringify([
    cabinet.parts.map(({ part }) => part),
    cabinet.wires.map(({ wire }) => wire.name),
  ]);
  const drawn = useMemo(() => {
    const placed = place(cabinet);
    const high = height(placed);
    return {
      high,
      routes: routeAll(
        cabinet.wires.map(({ wire }) => wire),
        placed,
        WIDE,
        high,
      ),
    };
    // The ways depend on the parts and the wires, not on what was found of them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [shape]);
  const placed = place(cabinet);
  const probe = cabinet.probes.find((one) => one.point === point);
  return (
    <Box
      as="figure"
      aria-label="This unit, as wired"
      bg="panel"
      borderWidth="1px"
      borderColor="rule"
      px="2"
      pt="2"
      mb="4"
    >
      <Flex justify="space-between" gap="3" wrap="wrap" fontSize="sm" color="faint">
        <Text fontWeight="700">This unit, as wired</Text>
        <Text>solid: proven · dashed: not yet · red: suspect</Text>
      </Flex>
      <svg
        viewBox={`0 0 ${WIDE} ${drawn.high}`}
        width="100%"
        role="img"
        aria-label={describe(cabinet, point)}
        style={{ display: "block", maxHeight: 290 }}
      >
        {drawn.routes.map(({ name, points }) => {
          const shown = cabinet.wires.find(({ wire }) => wire.name === name);
          const state = shown?.state ?? "not-yet";
          const thin = shown?.wire.group !== "line";
          return (
            <path
              key={name}
              d={`M${points.map(([x, y]) => `${x} ${y}`).join("L")}`}
              fill="none"
              stroke={state === "suspect" ? brick : state === "proven" ? ink : edge}
              strokeWidth={(thin ? 1 : 1.6) + (state === "not-yet" ? 0 : 0.6)}
              strokeDasharray={state === "not-yet" ? "5 4" : undefined}
            />
          );
        })}
        {placed.map((one) => (
          <PartDrawing key={one.part.name} placed={one} links={cabinet.links} tones={tones} />
        ))}
        {probe?.clamp && (
          <Clamp points={drawn.routes.find(({ name }) => name === probe.clamp)?.points ?? []} tones={tones} />
        )}
        {probe?.red && <Tip terminal={probe.red} placed={placed} colour={brick} panel={panel} />}
        {probe?.black && <Tip terminal={probe.black} placed={placed} colour={ink} panel={panel} />}
      </svg>
    </Box>
  );
}

const own = (terminal: string) => terminal.replace(".", " ");

function describe(cabinet: CabinetData, point: string): string {
  const suspects = cabinet.parts.filter(({ state }) => state === "suspect").map(({ part }) => part.label);
  const probe = cabinet.probes.find((one) => one.point === point);
  const where = probe?.clamp
    ? `Clamp on the wire ${probe.clamp.replaceAll(".", " ")}.`
    : probe
      ? `Red probe on ${own(probe.red)}, black on ${own(probe.black)}.`
      : "";
  return `Wiring of this unit: ${cabinet.parts.map(({ part }) => part.label).join(", ")}. ${where} ${suspects.length ? `Suspect: ${suspects.join(", ")}.` : ""}`.trim();
}
