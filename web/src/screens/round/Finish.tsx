/** Finishing the visit: asked once, freely when everything is back, else only with a reason that prints on the sheet. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import type { VisitShown } from "../../api/client";
import { useDraft } from "../../api/draft";
import { act } from "../../device/act";
import { Button } from "../../shell/controls";
import { Field, Problem, TextInput } from "../../shell/fields";
import { Reopen } from "./Reopen";

export function Finish({ visit }: { visit: VisitShown }) {
  const open = visit.round.assessment.open_lines;
  const missing = visit.round.assessment.missing.length;
  const [reason, setReason] = useDraft(`${visit.id} finish`);
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState("");
  const go = useNavigate();
  const sheet = `/visits/${visit.id}/sheet`;
  if (visit.round.finished_at != null) {
    return (
      <Box as="section" aria-label="Finish" borderTopWidth="1px" borderColor="edge" pt="3">
        <Text mb="2">This visit is finished.</Text>
        <Button look="next" onClick={() => void go(sheet)}>
          Visit sheet
        </Button>
        <Reopen visit={visit} />
      </Box>
    );
  }

  const finish = async () => {
    if (!asking) {
      setAsking(true);
      return;
    }
    try {
      const { core, digest } = visit.round;
      await act(visit.id, { kind: "finish", reason: open > 0 ? reason : "", core, digest });
      setReason("");
      await go(sheet);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };

  return (
    <Box as="section" aria-label="Finish" borderTopWidth="1px" borderColor="edge" pt="3">
      {asking && open === 0 && (
        <Text mb="2">
          {missing > 0 && `${missing} ${missing === 1 ? "reading is" : "readings are"} not taken. `}What comes
          after it waits until the visit is opened again.
        </Text>
      )}
      {asking && open > 0 && (
        <Box mb="2">
          <Text mb="1">
            {open} {open === 1 ? "line is" : "lines are"} not put back.
          </Text>
          <Field label="To finish anyway, say why. It prints on the sheet." problem={problem}>
            <TextInput maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
          </Field>
        </Box>
      )}
      {problem && open === 0 && <Problem id="finish-problem">{problem}</Problem>}
      <Flex gap="2" wrap="wrap" align="center">
        <Button id="finish-button" onClick={() => void finish()}>
          {!asking ? "Finish the visit" : open > 0 ? "Finish anyway" : "Yes, finish it"}
        </Button>
        {asking && (
          <Button look="quiet" onClick={() => setAsking(false)}>
            Not yet
          </Button>
        )}
        <Link to={sheet}>
          <Text as="span" color="copper" textDecoration="underline">
            Sheet so far
          </Text>
        </Link>
      </Flex>
    </Box>
  );
}
