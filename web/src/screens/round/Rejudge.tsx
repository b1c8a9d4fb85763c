/** An open visit keeps the house rules it was opened with; where the company's changed since, it can be judged anew. */
import { Box, Text } from "@chakra-ui/react";
import { useState } from "react";

import { api, data, type VisitShown } from "../../api/client";
import { made } from "../../api/made";
import { queries } from "../../api/queries";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";

export function Rejudge({ visit }: { visit: VisitShown }) {
  const [problem, setProblem] = useState("");
  if (visit.rules_are_current) return null;
  const judge = async () => {
    try {
      await data(
        api.POST("/api/v1/visits/{visit_id}/rejudge", {
          params: { path: { visit_id: visit.id } },
          body: made(visit.id),
        }),
      );
      await queries.invalidateQueries({ queryKey: ["visit", visit.id] });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Box as="section" aria-label="House rules" borderTopWidth="1px" borderColor="edge" pt="3">
      <Text fontSize="sm" color="faint" mb="2">
        The house rules changed since this visit was opened. It is judged by the earlier ones.
      </Text>
      <Button onClick={() => void judge()}>Judge by today’s rules</Button>
      {problem && <Problem id="rejudge-problem">{problem}</Problem>}
    </Box>
  );
}
