/** Board profiles: how each kind of defrost board behaves, entered once and chosen on a plate. Leads change them. */
import { Box, chakra, Flex, Grid, Heading, SimpleGrid, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { UseFormRegisterReturn } from "react-hook-form";

import { isOvertaken } from "../../api/basis";
import { api, data, type Schemas } from "../../api/client";
import { queries, useBoards } from "../../api/queries";
import { Bar } from "../../shell/Bar";
import { Sure } from "../../shell/Sure";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem, TextArea, TextInput } from "../../shell/fields";
import { useDraftForm } from "../../shell/draftForm";
import { DEFROST_FIELDS, type PlateField } from "../plate/plateFields";
import { defrostFrom, key, typedDefrost } from "../plate/plateForm";

type Profile = Schemas["BoardProfile"];
interface Typed {
  name: string;
  fields: Record<string, string>;
}

const Fields = chakra("fieldset");

export default function BoardsScreen() {
  const boards = useBoards();
  const [chosen, setChosen] = useState<string | null>(null);
  const profiles = boards.data?.boards ?? [];
  const open = chosen === "" ? undefined : (profiles.find((one) => one.name === chosen) ?? profiles[0]);
  return (
    <>
      <Bar title="Defrost boards">
        <Text color="onBarFaint">Boards</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="76rem">
        <Heading as="h1" fontSize="2xl" mb="1">
          Defrost boards
        </Heading>
        <Text color="faint" mb="5" maxW="48rem">
          A profile says what a board should do and when, what its lights mean, and how its configuration
          links are set. It is chosen on a unit’s plate and copied there; a unit keeps its copy until its
          plate is read again.
        </Text>
        {boards.isPending && <Text>Opening …</Text>}
        {boards.isError && <Text color="brick">{boards.error.message}</Text>}
        {boards.data && (
          <Grid templateColumns={{ base: "1fr", lg: "16rem minmax(0, 1fr)" }} gap="6" alignItems="start">
            <Box as="nav" aria-label="Board profiles">
              {profiles.map((one) => (
                <Button
                  key={one.name}
                  w="100%"
                  mb="1"
                  py="2"
                  h="auto"
                  textAlign="left"
                  aria-current={one === open ? "true" : undefined}
                  borderLeftWidth="5px"
                  borderLeftColor={one === open ? "copper" : "edge"}
                  onClick={() => setChosen(one.name)}
                >
                  {one.name}
                  <Text as="span" display="block" fontSize="sm" color="faint" fontWeight="400">
                    {one.shipped ? "generic" : "your own"}
                  </Text>
                </Button>
              ))}
              {boards.data.may_change && (
                <Button w="100%" onClick={() => setChosen("")}>
                  Add a board
                </Button>
              )}
            </Box>
            <Editor
              key={open?.name ?? ""}
              profile={open}
              mayChange={boards.data.may_change}
              choose={setChosen}
            />
          </Grid>
        )}
      </Box>
    </>
  );
}

function Editor(props: {
  profile: Profile | undefined;
  mayChange: boolean;
  choose: (name: string | null) => void;
}) {
  const { profile, mayChange, choose } = props;
  const typed = { name: profile?.name ?? "", fields: typedDefrost(profile?.defrost) };
  const { form, changed, errors, attempt, basis, settle, forget } = useDraftForm<Typed>(
    `board ${typed.name}`,
    typed,
    profile?.version,
  );
  const keep = ({ name, fields }: Typed) =>
    attempt(async () => {
      // Under another name it is a new one, whatever it was made from.
      const version = name.trim() === typed.name ? basis() : 0;
      const body = { name, defrost: defrostFrom(fields), version };
      const shown = await fresh(data(api.PUT("/api/v1/company/boards", { body })));
      queries.setQueryData(["boards"], shown);
      const kept = shown.boards.find((one) => one.name === name.trim());
      settle({ name: name.trim(), fields: typedDefrost(kept?.defrost) }, kept?.version);
      choose(name.trim());
    });
  const drop = (name: string) =>
    attempt(async () => {
      const params = { path: { name }, query: { version: basis() } };
      const shown = await fresh(data(api.DELETE("/api/v1/company/boards/{name}", { params })));
      queries.setQueryData(["boards"], shown);
      choose(null);
    });
  const at = (name: string) =>
    errors.find(({ field }) => field.split(".").includes(name.replace("defrost.", "")))?.message;
  const placed = errors.filter(({ field }) =>
    ["name", ...DEFROST_FIELDS.map((one) => one.name.replace("defrost.", ""))].some((name) =>
      field.split(".").includes(name),
    ),
  );
  return (
    <form onSubmit={(event) => void form.handleSubmit(keep)(event)}>
      <Fields disabled={!mayChange} minW="0">
        {!mayChange && <Text mb="4">Only a lead can change these.</Text>}
        <Field label="Name of the profile" maxW="24rem" mb="4" problem={at("name")}>
          <TextInput maxLength={60} {...form.register("name")} />
        </Field>
        <SimpleGrid columns={{ base: 1, sm: 2, xl: 3 }} columnGap="5" rowGap="3">
          {DEFROST_FIELDS.map((field) => (
            <Setting key={field.name} field={field} problem={at(field.name)}>
              {form.register(`fields.${key(field.name)}`)}
            </Setting>
          ))}
        </SimpleGrid>
        {mayChange && (
          <Flex gap="3" wrap="wrap" align="center" mt="5">
            <Button type="submit" look="next">
              Save board
            </Button>
            {changed && (
              <Button look="quiet" onClick={forget}>
                Discard changes
              </Button>
            )}
            {profile && !profile.shipped && (
              <Sure
                ask="Remove it from the list? Units that use it keep their copy."
                yes="Remove from the list"
                onYes={() => void drop(profile.name)}
              />
            )}
            {errors.length > 0 && (
              <Problem id="board-problem">
                {placed.length > 0 ? "Not saved: see the marked fields." : errors[0]?.message}
              </Problem>
            )}
          </Flex>
        )}
      </Fields>
    </form>
  );
}

/** The answer; where somebody else was first, what they wrote is fetched before it is told. */
async function fresh<T>(answer: Promise<T>): Promise<T> {
  try {
    return await answer;
  } catch (problem) {
    if (isOvertaken(problem)) await queries.invalidateQueries({ queryKey: ["boards"] });
    throw problem;
  }
}

function Setting(props: { field: PlateField; problem: string | undefined; children: UseFormRegisterReturn }) {
  const { field, problem, children: registered } = props;
  return (
    <Field
      label={
        <>
          {field.label}
          {field.unit && (
            <Text as="span" color="faint">
              , {field.unit}
            </Text>
          )}
        </>
      }
      problem={problem}
      {...(field.wide && { gridColumn: { sm: "span 2" } })}
    >
      {field.choices ? (
        <Choice {...registered}>
          <option value="">not entered</option>
          {field.choices.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </Choice>
      ) : field.lines ? (
        <TextArea {...registered} rows={5} placeholder={field.lines.hint} maxLength={4000} />
      ) : (
        <TextInput
          {...registered}
          className="num"
          inputMode={field.numeric ? "decimal" : "text"}
          maxLength={field.wide ? 400 : 40}
        />
      )}
    </Field>
  );
}
