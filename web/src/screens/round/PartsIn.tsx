/** Parts put in on this visit: one step for a part, its rating and what it measured in the hand. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import type { Schemas, VisitShown } from "../../api/client";
import { useDraft } from "../../api/draft";
import { send } from "../../device/act";
import { dropEntries, isRefused, useEntries } from "../../device/entries";
import { parsed } from "../../api/stored";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { Sure } from "../../shell/Sure";
import { capital, clock } from "../../shell/words";
import { Photos } from "../unit/Photos";
import { PartFields } from "./PartFields";
import { asAct, asForm, asNew, type Form } from "./partForm";

export function PartsIn({ visit }: { visit: VisitShown }) {
  const { parts, finished_at, diagnosis, assessment } = visit.round;
  const finished = finished_at != null;
  const [draft, setDraft] = useDraft(`${visit.id} part put in`);
  const form = parsed<Form | null>(draft, null);
  const refusal = useEntries().findLast(
    (one) => isRefused(one) && one.act.kind === "part" && one.visit === visit.id,
  );
  const change = (more: Partial<Form>) => {
    if (refusal) void dropEntries([refusal.id]);
    setDraft(JSON.stringify({ ...(form ?? asNew(visit)), ...more }));
  };
  const put = () => {
    if (form === null || form.part === "") return;
    send(visit.id, asAct(form));
    setDraft("");
  };
  const mend = () => {
    if (refusal?.act.kind !== "part") return;
    setDraft(JSON.stringify(asForm(refusal.act)));
    void dropEntries([refusal.id]);
  };
  const offered = [...new Set(diagnosis.accused.map(({ part }) => part))];
  return (
    <Box as="section" aria-label="Parts put in" borderTopWidth="1px" borderColor="edge" pt="3">
      <Heading as="h2" fontSize="sm" color="faint" fontWeight="700" mb="1">
        Parts put in
      </Heading>
      {parts.length > 0 && (
        <Text fontSize="sm">
          Found {assessment.as_found}, left {assessment.as_left}.
        </Text>
      )}
      {parts.map((one) => (
        <PartLine key={one.id} visit={visit.id} unit={visit.unit_id} part={one} disabled={finished} />
      ))}
      {refusal && (
        <Box mb="2">
          {refusal.wrong.map(({ field, message }) => (
            <Problem key={field} id={`part-${field}`}>
              {message}
            </Problem>
          ))}
          <Button onClick={mend}>Edit</Button>
        </Box>
      )}
      {!finished &&
        (form === null ? (
          <Flex gap="2" wrap="wrap">
            {offered.map((part) => (
              <Button key={part} look="next" onClick={() => change({ part })}>
                New {part} is in
              </Button>
            ))}
            <Button onClick={() => change({})}>Add a part put in</Button>
          </Flex>
        ) : (
          <PartFields form={form} change={change} put={put} cancel={() => setDraft("")} />
        ))}
    </Box>
  );
}

function PartLine({
  visit,
  unit,
  part,
  disabled,
}: {
  visit: string;
  unit: string;
  part: Schemas["NewPartShown"];
  disabled: boolean;
}) {
  const { repair } = part;
  const [open, setOpen] = useState(false);
  const rating = [repair.uf, repair.fan_uf].filter((one) => one != null).join(" + ");
  return (
    <>
      <Flex align="center" gap="2" py="1" wrap="wrap">
        <Text flex="1">
          <b>{capital(repair.part)}</b>
          {rating && ` ${rating} µF`}
          {repair.note && `: ${repair.note}`}
        </Text>
        <Text className="num" fontSize="sm" color="faint">
          {clock(part.at)}
        </Text>
        {!repair.put_back && (
          <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
            Photos
          </Button>
        )}
        {!disabled && (
          <Sure
            ask="Recorded by mistake?"
            yes="Remove this entry"
            onYes={() => send(visit, { kind: "part-undo", part: part.id })}
          />
        )}
      </Flex>
      {open &&
        ["old part", "new part"].map((about) => (
          <Photos
            key={about}
            unit={unit}
            visit={visit}
            part={part.id}
            about={about}
            only
            title={capital(about)}
          />
        ))}
    </>
  );
}
