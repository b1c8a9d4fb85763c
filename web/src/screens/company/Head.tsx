/** What stands at the head of the company's sheets, and the time zone its days and its paper go by. */
import { Box, Flex, Heading } from "@chakra-ui/react";
import { useState } from "react";

import { api, data, fieldErrors, type Schemas } from "../../api/client";
import { useDraft } from "../../api/draft";
import { queries } from "../../api/queries";
import { parsed } from "../../api/stored";
import { Button } from "../../shell/controls";
import { Choice, Field, TextArea } from "../../shell/fields";
import { say } from "../../shell/toast";

const ZONES = Intl.supportedValuesOf("timeZone");

export function Head({ head }: { head: Schemas["Letterhead"] }) {
  const [draft, setDraft] = useDraft("company head");
  const saved = {
    letterhead: head.letterhead,
    time_zone: head.time_zone,
    customer_links: head.customer_links,
  };
  const typed = parsed(draft, saved);
  const [errors, setErrors] = useState<Schemas["FieldError"][]>([]);
  const at = (name: string) => errors.find(({ field }) => field === name)?.message;
  const type = (change: Partial<typeof saved>) => setDraft(JSON.stringify({ ...typed, ...change }));
  const save = async () => {
    try {
      queries.setQueryData(
        ["letterhead"],
        await data(api.PUT("/api/v1/company/letterhead", { body: typed })),
      );
      setDraft("");
      setErrors([]);
      say("Saved.");
    } catch (error) {
      setErrors(fieldErrors(error));
    }
  };
  const changed = JSON.stringify(typed) !== JSON.stringify(saved);
  return (
    <Box as="section" maxW="32rem">
      <Heading as="h2" fontSize="lg" mb="2">
        On every sheet
      </Heading>
      <Field label="Under your name" problem={at("letterhead")} mb="3">
        <TextArea
          rows={4}
          fontFamily="inherit"
          maxLength={2000}
          disabled={!head.may_change}
          placeholder="address, telephone, licence"
          value={typed.letterhead}
          onChange={(event) => type({ letterhead: event.target.value })}
        />
      </Field>
      <Field label="Time zone" problem={at("time_zone")} mb="3">
        <Choice
          disabled={!head.may_change}
          value={typed.time_zone}
          onChange={(event) => type({ time_zone: event.target.value })}
        >
          <option value="">the server’s own</option>
          {ZONES.map((zone) => (
            <option key={zone}>{zone}</option>
          ))}
        </Choice>
      </Field>
      <Flex as="label" align="center" gap="3" minH="44px" mb="3">
        <input
          type="checkbox"
          disabled={!head.may_change}
          checked={typed.customer_links}
          onChange={(event) => type({ customer_links: event.target.checked })}
        />
        Customers may be given a link to the page of their visit. It needs no sign-in and ends after 30 days.
      </Flex>
      {changed && (
        <Button look="next" onClick={() => void save()}>
          Save
        </Button>
      )}
    </Box>
  );
}
