/** Several readings at once, in the words technicians say. What is not understood stays in the line, marked. */
import { Box, Text } from "@chakra-ui/react";

import { useDraft } from "../../api/draft";
import { send } from "../../device/act";
import { dropEntries, isRefused, useEntries } from "../../device/entries";
import { TextInput } from "../../shell/fields";
import { meterInHand } from "./MeterChoice";

export function EntryLine({ visit, station }: { visit: string; station: string }) {
  const [typed, setTyped] = useDraft(`${visit} line`);
  const refusal = useEntries().findLast(
    (one) => isRefused(one) && one.act.kind === "line" && one.visit === visit,
  );
  const rest = refusal?.act.kind === "line" ? refusal.act.text : "";
  const text = typed || rest;

  const change = (next: string) => {
    if (refusal) void dropEntries([refusal.id]);
    setTyped(next);
  };
  const submit = () => {
    if (!text.trim()) return;
    if (refusal) void dropEntries([refusal.id]);
    send(visit, { kind: "line", text, meter: meterInHand(), station });
    setTyped("");
  };

  return (
    <Box position="relative" flex="0 0 300px">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <TextInput
          id="entry-line"
          className="num"
          aria-label="Entry line: several readings at once"
          aria-invalid={refusal !== undefined}
          aria-describedby="entry-line-problem"
          placeholder="/ herm 50.4 fan 7.4"
          autoComplete="off"
          spellCheck={false}
          maxLength={2000}
          value={text}
          bg="#26332f"
          color="#f1eee5"
          borderColor="#7b857f"
          _placeholder={{ color: "#b9c2bd", opacity: 1 }}
          onChange={(event) => change(event.target.value)}
        />
      </form>
      {refusal && (
        <Box
          id="entry-line-problem"
          role="alert"
          position="absolute"
          top="100%"
          left="0"
          right="0"
          zIndex="10"
          bg="panel"
          color="ink"
          borderWidth="2px"
          borderColor="brick"
          p="3"
        >
          {refusal.wrong.map(({ field, message }) => (
            <Text key={field + message}>
              {field && (
                <Text as="mark" className="num" bg="brickTint" color="ink" px="1" mr="1">
                  {field}
                </Text>
              )}
              {message}
            </Text>
          ))}
        </Box>
      )}
    </Box>
  );
}
