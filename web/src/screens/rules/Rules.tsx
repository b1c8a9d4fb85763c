/** House rules: each school beside what it makes of the same reading. Leads choose; every version is kept. */
import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import { basisOf, beginFrom, forgetBasis, overtaken } from "../../api/basis";
import { api, data, inWords, type Schemas } from "../../api/client";
import { useDraft } from "../../api/draft";
import { parsed } from "../../api/stored";
import { queries, useHouseRules } from "../../api/queries";
import { Mark, markColour, markWord, markOf } from "../../drawing/Mark";
import { Tape } from "../../drawing/Tape";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { Problem, TextInput } from "../../shell/fields";
import { capital, dayAndClock } from "../../shell/words";

type Shown = Schemas["RulesShown"];
type Rules = Schemas["HouseRules"];
type Choice = Schemas["ChoiceExample"];
const DRAFT = "house rules";

export default function RulesScreen() {
  const rules = useHouseRules();
  return (
    <>
      <Bar title="House rules">
        <Text color="onBarFaint">House rules</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="72rem">
        <Heading as="h1" fontSize="2xl" mb="1">
          House rules
        </Heading>
        <Text color="faint" mb="5" maxW="46rem">
          Where the trade disagrees, your company picks. Beside each school stands what it makes of the same
          reading. An open visit keeps the rules it was opened with until someone judges it again.
        </Text>
        {rules.isPending && <Text>Opening …</Text>}
        {rules.isError && <Text color="brick">{rules.error.message}</Text>}
        {rules.data && <Form shown={rules.data} />}
      </Box>
    </>
  );
}

function Form({ shown }: { shown: Shown }) {
  const [draft, setDraft] = useDraft(DRAFT);
  const [note, setNote] = useDraft("house rules note");
  const [problem, setProblem] = useState("");
  const chosen = parsed<Rules>(draft, shown.rules);
  const changed = JSON.stringify(chosen) !== JSON.stringify(shown.rules);
  const choose = (rules: Rules) => {
    beginFrom(DRAFT, shown.version);
    setDraft(JSON.stringify(rules));
  };
  const discard = () => {
    setDraft("");
    setProblem("");
    forgetBasis(DRAFT);
  };
  const save = async () => {
    try {
      const version = basisOf(DRAFT, shown.version);
      const body = { id: crypto.randomUUID(), rules: chosen, note, version };
      queries.setQueryData(["rules"], await data(api.PUT("/api/v1/company/rules", { body })));
      void queries.invalidateQueries({ queryKey: ["visit"] });
      discard();
      setNote("");
    } catch (error) {
      const more = overtaken(DRAFT, error);
      if (more) await queries.invalidateQueries({ queryKey: ["rules"] });
      setProblem(inWords(error, " Your choice is stored on this device.") + more);
    }
  };
  return (
    <>
      {!shown.may_change && <Text mb="4">Only a lead can change these.</Text>}
      {shown.choices.map((choice) => (
        <OneChoice
          key={choice.choice}
          choice={choice}
          value={chosen[choice.choice as Exclude<keyof Rules, "maintenance">]}
          disabled={!shown.may_change}
          choose={(school) => choose({ ...chosen, [choice.choice]: school })}
        />
      ))}
      <Maintenance
        items={shown.upkeep}
        chosen={chosen.maintenance}
        disabled={!shown.may_change}
        choose={(maintenance) => choose({ ...chosen, maintenance })}
      />
      {changed && shown.may_change && (
        <Flex
          position="sticky"
          bottom="0"
          bg="paper"
          borderTopWidth="2px"
          borderColor="copper"
          py="3"
          gap="3"
          wrap="wrap"
        >
          <TextInput
            flex="1 1 14rem"
            w="auto"
            aria-label="Why the rules change"
            placeholder="why they change"
            maxLength={200}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button look="next" onClick={() => void save()}>
            Save these rules
          </Button>
          <Button onClick={discard}>Discard changes</Button>
          {problem && <Problem id="rules-problem">{problem}</Problem>}
        </Flex>
      )}
      <Versions shown={shown} />
    </>
  );
}

const Fields = chakra("fieldset");

interface ChoiceProps {
  choice: Choice;
  value: string;
  disabled: boolean;
  choose: (school: string) => void;
}

function OneChoice({ choice, value, disabled, choose }: ChoiceProps) {
  return (
    <Fields disabled={disabled} borderTopWidth="1px" borderColor="edge" pt="3" mb="6" minW="0">
      <chakra.legend float="left" w="100%" fontWeight="700" fontSize="lg">
        {choice.title}
      </chakra.legend>
      {choice.example && (
        <Text color="faint" mb="2" css={{ clear: "both" }}>
          Example: {choice.example}.
        </Text>
      )}
      {choice.schools.map(({ school, words, finding, says }) => (
        <Flex
          as="label"
          key={school}
          gap="3"
          align="center"
          minH="52px"
          px="3"
          py="1"
          wrap={{ base: "wrap", md: "nowrap" }}
          bg={school === value ? "panel" : "transparent"}
          borderLeftWidth="4px"
          borderColor={school === value ? "copper" : "transparent"}
          cursor={disabled ? "default" : "pointer"}
        >
          <input
            type="radio"
            name={choice.choice}
            checked={school === value}
            onChange={() => choose(school)}
            aria-label={`${choice.title}: ${words}`}
          />
          <Text
            w={{ base: "calc(100% - 3rem)", md: "17rem" }}
            flexShrink="0"
            fontWeight={school === value ? "700" : "400"}
          >
            {capital(words)}
          </Text>
          {finding ? (
            <Flex
              align="center"
              gap="3"
              flex={{ base: "1 1 100%", md: "1" }}
              minW="0"
              wrap={{ base: "wrap", md: "nowrap" }}
            >
              <Mark kind={markOf(finding.verdict)} />
              <Text color={markColour(markOf(finding.verdict))} fontWeight="700" w="5.5rem" flexShrink="0">
                {capital(markWord(markOf(finding.verdict)))}
              </Text>
              <Box w="200px" flexShrink="0" display={{ base: "none", md: "block" }}>
                <Tape finding={finding} small />
              </Box>
              <Text fontSize="sm" color="faint">
                {finding.why}
              </Text>
            </Flex>
          ) : (
            <Text fontSize="sm" color="faint" flex="1">
              {says}
            </Text>
          )}
        </Flex>
      ))}
    </Fields>
  );
}

interface MaintenanceProps {
  items: Shown["upkeep"];
  chosen: Rules["maintenance"];
  disabled: boolean;
  choose: (items: Rules["maintenance"]) => void;
}

/** The company's own list for a call without a complaint: short by default, in the order of the round. */
function Maintenance({ items, chosen, disabled, choose }: MaintenanceProps) {
  return (
    <Fields disabled={disabled} borderTopWidth="1px" borderColor="edge" pt="3" mb="6" minW="0">
      <chakra.legend float="left" w="100%" fontWeight="700" fontSize="lg">
        What a maintenance call records
      </chakra.legend>
      <Text color="faint" mb="2" css={{ clear: "both" }}>
        The unit is proved dead first wherever dead work is on the list. Every other reading stays one tap
        away.
      </Text>
      {items.map(({ item, title }) => (
        <Flex as="label" key={item} gap="3" align="center" minH="44px" px="3">
          <input
            type="checkbox"
            checked={chosen.includes(item)}
            onChange={(event) =>
              choose(
                items
                  .map((one) => one.item)
                  .filter((one) => (one === item ? event.target.checked : chosen.includes(one))),
              )
            }
          />
          <Text>{title}</Text>
        </Flex>
      ))}
    </Fields>
  );
}

function Versions({ shown }: { shown: Shown }) {
  if (shown.versions.length === 0) return <Text color="faint">Not changed yet: these are the defaults.</Text>;
  return (
    <Box as="section" aria-label="Versions" borderTopWidth="1px" borderColor="edge" pt="3">
      <Heading as="h2" fontSize="lg" mb="1">
        Versions
      </Heading>
      {shown.versions.map((version, index) => (
        <Text key={version.at} py="1">
          {dayAndClock(version.at)}, {version.by_whom}
          {version.note && `: ${version.note}`}{" "}
          <Text as="span" fontSize="sm" color="faint">
            {differences(version.rules, shown.versions[index + 1]?.rules)}
          </Text>
        </Text>
      ))}
    </Box>
  );
}

/** What one version changed against the one before it. */
function differences(rules: Rules, before: Rules | undefined): string {
  if (!before) return "first version";
  const names = Object.keys(rules) as (keyof Rules)[];
  return names
    .filter((name) => String(rules[name]) !== String(before[name]))
    .map((name) => `${name.replaceAll("_", " ")}: ${String(before[name])} → ${String(rules[name])}`)
    .join("; ");
}
