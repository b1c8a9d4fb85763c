/** How often to defrost, and what it costs: advice by the house's school, each pin's cost beside it. */
import { Box, Flex, Heading, Table, Text } from "@chakra-ui/react";
import { useState } from "react";

import { api, data, fieldErrors, type FieldError, type Schemas, type VisitShown } from "../../api/client";
import { useDraft } from "../../api/draft";
import { parsed } from "../../api/stored";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem, TextArea, TextInput } from "../../shell/fields";

type Answer = Schemas["IntervalAnswer"];
const CLIMATES: [Schemas["IntervalQuestion"]["climate"], string][] = [
  ["all-electric", "all electric"],
  ["frost-rare", "frost is rare, or gas backs it up"],
  ["long-damp-cold", "long damp cold"],
];
const ASKED: [string, string, string][] = [
  ["run_share", "Compressor runs, share of the hour", "1"],
  ["minutes_each", "One defrost, min", "6"],
  ["aux_kw", "Aux heat, kW", ""],
  ["price_kwh", "Electricity, a kWh", ""],
];

const numberOrText = (text: string) => {
  const plain = text.trim().replace(",", ".");
  return (plain !== "" && Number.isFinite(Number(plain)) ? Number(plain) : text) as number;
};

/** Bins as typed, one a line: °F and hours. */
const bins = (text: string) =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => {
      const [outdoor_f = "", hours = ""] = line.split(/[\s;]+/);
      return { outdoor_f: numberOrText(outdoor_f), hours: numberOrText(hours) };
    });

export function IntervalCost({ visit }: { visit: VisitShown }) {
  const plate = visit.round.plate;
  const kw = plate.aux_heat.elements.reduce((sum, one) => sum + one.kw, 0);
  const [draft, setDraft] = useDraft(`${visit.id} interval`);
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const typed = {
    climate: "all-electric",
    bins: "",
    aux_kw: kw > 0 ? String(kw) : "",
    ...parsed<Record<string, string>>(draft, {}),
  } as Record<string, string>;
  const type = (name: string, text: string) => setDraft(JSON.stringify({ ...typed, [name]: text }));
  const ask = async () => {
    // What was left empty is the server's own default, not the page's.
    const use = Object.fromEntries(
      ASKED.filter(([name]) => (typed[name] ?? "").trim() !== "").map(([name]) => [
        name,
        numberOrText(typed[name] ?? ""),
      ]),
    ) as unknown as Schemas["DefrostUse"];
    try {
      const body = {
        climate: typed.climate as (typeof CLIMATES)[number][0],
        set_minutes: plate.defrost.minutes ?? null,
        use: { ...use, bins: bins(typed.bins ?? "") },
        hours_between: typed.hours_between ? numberOrText(typed.hours_between) : null,
        hours_most: typed.hours_most ? numberOrText(typed.hours_most) : null,
      };
      setAnswer(await data(api.POST("/api/v1/advice/interval", { body })));
      setErrors([]);
    } catch (error) {
      setErrors(fieldErrors(error));
    }
  };
  const at = (name: string) => errors.find(({ field }) => field.split(".").includes(name))?.message;
  const known = [...ASKED.map(([name]) => name), "bins", "hours_between", "hours_most"];
  const other = errors.find(({ field }) => !field.split(".").some((part) => known.includes(part)));
  const asked: [string, string, string][] = [
    ...ASKED,
    ...(plate.defrost.control === "demand"
      ? ([
          ["hours_between", "Between defrosts, h", ""],
          ["hours_most", "Most it lets pass, h", ""],
        ] as [string, string, string][])
      : []),
  ];
  return (
    <Box
      as="section"
      aria-label="How often, and what it costs"
      borderTopWidth="1px"
      borderColor="edge"
      mt="6"
      pt="4"
    >
      <Heading as="h2" fontSize="xl" mb="2">
        How often, and what it costs
      </Heading>
      <Flex gap="4" wrap="wrap" align="start">
        <Field label="Climate" flex="1 1 15rem">
          <Choice value={typed.climate} onChange={(event) => type("climate", event.target.value)}>
            {CLIMATES.map(([name, words]) => (
              <option key={name} value={name}>
                {words}
              </option>
            ))}
          </Choice>
        </Field>
        {asked.map(([name, label, hint]) => (
          <Field label={label} key={name} flex="1 1 9rem" problem={at(name)}>
            <TextInput
              className="num"
              inputMode="decimal"
              maxLength={12}
              value={typed[name] ?? ""}
              placeholder={hint}
              onChange={(event) => type(name, event.target.value)}
            />
          </Field>
        ))}
        <Field
          label="The season: °F outdoors and hours, one bin a line"
          flex="1 1 15rem"
          problem={at("bins")}
        >
          <TextArea
            rows={4}
            maxLength={2000}
            value={typed.bins}
            placeholder={"42 610\n37 540\n32 480"}
            onChange={(event) => type("bins", event.target.value)}
          />
        </Field>
      </Flex>
      <Flex gap="3" align="center" wrap="wrap" mt="2">
        <Button onClick={() => void ask()}>Calculate</Button>
        {other && <Problem id="interval-problem">{other.message}</Problem>}
      </Flex>
      {answer && <Costs answer={answer} set={plate.defrost.minutes ?? undefined} />}
    </Box>
  );
}

const say = (value: number) => (value >= 100 ? value.toFixed(0) : value.toFixed(1));

function Costs({ answer, set }: { answer: Answer; set: number | undefined }) {
  const { advice } = answer;
  return (
    <Box mt="3">
      <Text fontWeight="700">
        {advice.minutes == null ? "Leave as set" : `Set ${advice.minutes} min`}: {advice.why}. Advice, by
        house rule.
      </Text>
      <Text fontSize="sm" color="faint" mb="2">
        {answer.frosting_hours} h of the season frost a coil that stands 15 °F below the air, an assumption. A
        low charge keeps the switch closed most of the day, whatever the pin.
        {answer.credit != null && ` Demand-defrost credit: ${answer.credit.toFixed(3)}.`}
      </Text>
      <Box overflowX="auto">
        <Table.Root size="sm" aria-label="Cost of each pin">
          <Table.Header>
            <Table.Row>
              {["pin", "a day of frost", "kWh", "cost", "the season", "kWh", "cost"].map((head, place) => (
                <Table.ColumnHeader key={place} textAlign="right">
                  {head}
                </Table.ColumnHeader>
              ))}
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {answer.costs.map((one) => (
              <Table.Row key={one.minutes} fontWeight={one.minutes === advice.minutes ? "700" : undefined}>
                {[
                  `${one.minutes} min${one.minutes === set ? ", as set" : ""}`,
                  `${say(one.defrosts_a_day)} defrosts`,
                  say(one.kwh_a_day),
                  say(one.cost_a_day),
                  `${say(one.defrosts_a_season)} defrosts`,
                  say(one.kwh_a_season),
                  say(one.cost_a_season),
                ].map((text, place) => (
                  <Table.Cell key={place} className="num" textAlign="right">
                    {text}
                  </Table.Cell>
                ))}
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </Box>
    </Box>
  );
}
