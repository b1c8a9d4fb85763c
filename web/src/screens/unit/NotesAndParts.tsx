/** A unit's notes, the parts put into it, and a visit opened to it. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import { basisOf, beginFrom, forgetBasis, overtaken } from "../../api/basis";
import { api, data, inWords, type Schemas } from "../../api/client";
import { useDraft } from "../../api/draft";
import { parsed } from "../../api/stored";
import { queries } from "../../api/queries";
import { Button } from "../../shell/controls";
import { Choice, Problem, TextArea, TextInput } from "../../shell/fields";
import { capital, day, dayAndClock } from "../../shell/words";
import { Photos } from "./Photos";

type UnitFile = Schemas["UnitFile"];

export function NotesAndParts({ unit }: { unit: UnitFile }) {
  const [problem, setProblem] = useState("");
  const draftName = `${unit.id} notes`;
  const [draft, setDraft] = useDraft(draftName);
  const notes = parsed(draft, unit.notes);
  const [part, setPart] = useDraft(`${unit.id} part`);
  const [on, setOn] = useDraft(`${unit.id} part on`);
  const [note, setNote] = useDraft(`${unit.id} part note`);
  const path = { unit_id: unit.id };
  const attempt = async (ask: () => Promise<UnitFile>, then: () => void) => {
    try {
      queries.setQueryData(["unit", unit.id], await ask());
      void queries.invalidateQueries({ queryKey: ["watch"] });
      setProblem("");
      then();
    } catch (error) {
      const more = overtaken(draftName, error);
      if (more) await queries.invalidateQueries({ queryKey: ["unit", unit.id] });
      setProblem(inWords(error) + more);
    }
  };
  const discardNotes = () => {
    setDraft("");
    forgetBasis(draftName);
  };
  const keepNotes = () =>
    attempt(() => {
      const body = { notes, version: basisOf(draftName, unit.notes_version) };
      return data(api.PUT("/api/v1/units/{unit_id}/notes", { params: { path }, body }));
    }, discardNotes);
  const keepPart = () =>
    attempt(
      () =>
        data(
          api.POST("/api/v1/units/{unit_id}/parts", {
            params: { path },
            body: {
              id: crypto.randomUUID(),
              part,
              note,
              at: on ? new Date(`${on}T12:00:00`).toISOString() : null,
            },
          }),
        ),
      () => {
        setPart("");
        setNote("");
        setOn("");
      },
    );
  return (
    <>
      <Box as="section" aria-label="Notes">
        <Heading as="h2" fontSize="md" mb="1">
          Notes
        </Heading>
        <TextArea
          rows={4}
          fontFamily="inherit"
          maxLength={4000}
          aria-label="Notes on this unit"
          value={notes}
          onChange={(event) => {
            beginFrom(draftName, unit.notes_version);
            setDraft(JSON.stringify(event.target.value));
          }}
        />
        {notes !== unit.notes && (
          <Flex mt="1" gap="2" wrap="wrap">
            <Button look="next" onClick={() => void keepNotes()}>
              Save the notes
            </Button>
            <Button look="quiet" onClick={discardNotes}>
              Discard changes
            </Button>
          </Flex>
        )}
        <NotesBefore unit={unit} />
      </Box>
      <Box as="section" aria-label="Parts put in">
        <Heading as="h2" fontSize="md" mb="1">
          Parts put in
        </Heading>
        <Text fontSize="sm" color="faint" mb="2">
          A new part starts a new line in the readings.
        </Text>
        {unit.parts.map((one) => (
          <PartLine key={one.id} unit={unit.id} part={one} />
        ))}
        <Flex gap="2" wrap="wrap" mt="2">
          <Choice aria-label="Part put in" value={part} onChange={(event) => setPart(event.target.value)}>
            <option value="">Choose a part</option>
            {unit.part_names.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Choice>
          <TextInput
            type="date"
            aria-label="Put in on; today where left empty"
            value={on}
            onChange={(event) => setOn(event.target.value)}
          />
          <TextInput
            aria-label="Note on the part"
            placeholder="note"
            maxLength={200}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button disabled={part === ""} onClick={() => void keepPart()}>
            Record the part
          </Button>
        </Flex>
      </Box>
      {problem && <Problem id="unit-problem">{problem}</Problem>}
    </>
  );
}

/** What the notes said before, by whom and when: on request. */
function NotesBefore({ unit }: { unit: UnitFile }) {
  const [open, setOpen] = useState(false);
  if (unit.notes_before.length === 0) return null;
  return (
    <Box mt="1">
      <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Hide earlier notes" : "Earlier notes"}
      </Button>
      {open &&
        unit.notes_before.map((then) => (
          <Text key={then.at} py="1" borderTopWidth="1px" borderColor="rule">
            <Text as="span" fontSize="sm" color="faint">
              {dayAndClock(then.at)}, {then.by_whom}
            </Text>
            <br />
            {then.notes || "taken off"}
          </Text>
        ))}
    </Box>
  );
}

/** A part that was put in, with its photos on request. */
function PartLine({ unit, part }: { unit: string; part: UnitFile["parts"][number] }) {
  const [open, setOpen] = useState(false);
  return (
    <Box py="1" borderTopWidth="1px" borderColor="rule">
      <Flex justify="space-between" align="center" gap="2">
        <Text>
          <b>{capital(part.part)}</b>, {day(part.at)}, {part.by_whom}
          {part.note && `: ${part.note}`}
        </Text>
        <Button
          look="quiet"
          aria-expanded={open}
          aria-label={`Photos of the ${part.part} of ${day(part.at)}`}
          onClick={() => setOpen(!open)}
        >
          {open ? "hide" : "photos"}
        </Button>
      </Flex>
      {open && <Photos unit={unit} part={part.id} about={part.part} title={`Photos of this ${part.part}`} />}
    </Box>
  );
}
