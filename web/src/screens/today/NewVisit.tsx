/** Opening a visit that nobody scheduled. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";

import { api, data, type Schemas } from "../../api/client";
import { queries } from "../../api/queries";
import { Button, Choice, FieldProblem } from "../../shell/controls";
import { COMPLAINT } from "../../shell/words";

type Form = { unit: string; complaint: Schemas["NewVisit"]["complaint"]; began: string };

export function NewVisit({ units }: { units: Schemas["UnitChoice"][] }) {
  const form = useForm<Form>({ defaultValues: { unit: "", complaint: "maintenance", began: "" } });
  const [problem, setProblem] = useState("");
  const go = useNavigate();

  const open = async ({ unit, complaint, began }: Form) => {
    try {
      const opened = await data(
        api.POST("/api/units/{unit_id}/visits", {
          params: { path: { unit_id: unit } },
          body: { id: crypto.randomUUID(), complaint, began },
        }),
      );
      await queries.invalidateQueries({ queryKey: ["today"] });
      await go(`/visits/${opened.id}`);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };

  return (
    <Box as="section" aria-label="Open a visit" borderTopWidth="1px" borderColor="edge" pt="4">
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="2">
        Open a visit
      </Heading>
      <form onSubmit={(event) => void form.handleSubmit(open)(event)}>
        <Flex gap="3" align="end" wrap="wrap">
          <Box as="label" flex="1 1 16rem">
            <Text>Unit</Text>
            <Choice required {...form.register("unit")}>
              <option value="">Choose a unit</option>
              {units.map((unit) => (
                <option key={unit.id} value={unit.id}>
                  {unit.site}, {unit.unit}
                </option>
              ))}
            </Choice>
          </Box>
          <Box as="label" flex="1 1 14rem">
            <Text>Complaint</Text>
            <Choice {...form.register("complaint")}>
              {Object.entries(COMPLAINT).map(([code, words]) => (
                <option key={code} value={code}>
                  {words}
                </option>
              ))}
            </Choice>
          </Box>
          <Box as="label" flex="0 1 10rem">
            <Text>Began</Text>
            <Choice {...form.register("began")}>
              <option value="">not said</option>
              <option value="suddenly">suddenly</option>
              <option value="slowly">slowly worse</option>
            </Choice>
          </Box>
          <Button type="submit">Open</Button>
        </Flex>
        {problem && <FieldProblem id="new-visit-problem">{problem}</FieldProblem>}
      </form>
    </Box>
  );
}
