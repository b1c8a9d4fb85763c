/** Notes on this visit, in the technician's own words; each stays as it was written and prints on the sheet. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";

import type { Round } from "../../api/client";
import { useDraft } from "../../api/draft";
import { send } from "../../device/act";
import { Button } from "../../shell/controls";
import { Field, TextArea } from "../../shell/fields";
import { clock } from "../../shell/words";

export function VisitNotes({ visit, round }: { visit: string; round: Round }) {
  const [text, setText] = useDraft(`${visit} note`);
  const finished = round.finished_at != null;
  const { notes } = round;
  if (finished && notes.length === 0) return null;
  const save = () => {
    if (text.trim() === "") return;
    send(visit, { kind: "note", text: text.trim() });
    setText("");
  };
  return (
    <Box as="section" aria-label="Notes">
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="1">
        Notes
      </Heading>
      {notes.map((note) => (
        <Flex key={note.id} gap="2" py="1" borderTopWidth="1px" borderColor="rule" align="baseline">
          <Text flex="1" whiteSpace="pre-wrap">
            {note.text}
          </Text>
          <Text className="num" fontSize="sm" color="faint">
            {note.at && clock(note.at)}
          </Text>
        </Flex>
      ))}
      {!finished && (
        <>
          <Field label="Add a note">
            <TextArea
              rows={2}
              fontFamily="inherit"
              maxLength={1000}
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          </Field>
          {text.trim() !== "" && (
            <Button mt="2" onClick={save}>
              Save the note
            </Button>
          )}
        </>
      )}
    </Box>
  );
}
