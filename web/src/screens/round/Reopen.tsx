/** What arrived after the end, and opening the visit again for it, with a reason that stays on record. */
import { Box, Text } from "@chakra-ui/react";
import { useState } from "react";

import { fieldErrors, type VisitShown } from "../../api/client";
import { useDraft } from "../../api/draft";
import { act } from "../../device/act";
import { Button } from "../../shell/controls";
import { Field, TextInput } from "../../shell/fields";
import { counted, clock } from "../../shell/words";

export function Reopen({ visit }: { visit: VisitShown }) {
  const { waiting } = visit.round;
  const [reason, setReason] = useDraft(`${visit.id} reopen`);
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState("");
  const reopen = async () => {
    try {
      await act(visit.id, { kind: "reopen", reason });
      setReason("");
    } catch (error) {
      setProblem(fieldErrors(error)[0]?.message ?? "");
    }
  };
  return (
    <Box mt="3">
      {waiting.length > 0 && (
        <Box role="status" borderWidth="1px" borderColor="ochre" bg="ochreTint" p="3" mb="2">
          <Text fontWeight="700">{counted(waiting.length, "entry", "entries")} came after the end</Text>
          <Text fontSize="sm" mb="1">
            Stored, and not counted until the visit is opened again.
          </Text>
          {waiting.map((entry) => (
            <Text key={entry.id} fontSize="sm">
              <span className="num">{clock(entry.at)}</span> {entry.by_whom}: {entry.what}
              {entry.value && <b className="num"> {entry.value}</b>}
            </Text>
          ))}
        </Box>
      )}
      {asking && (
        <Field label="Why is it opened again? It stays on record." problem={problem} mb="2">
          <TextInput maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
        </Field>
      )}
      <Button onClick={() => (asking ? void reopen() : setAsking(true))}>
        {asking ? "Open it again" : "Open the visit again"}
      </Button>
    </Box>
  );
}
