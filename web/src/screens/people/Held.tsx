/** Entries of a device that was shut out: a lead says whether they count. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";

import { api, data, type Schemas } from "../../api/client";
import { queries } from "../../api/queries";
import { useAttempt } from "../../shell/attempt";
import { Problem } from "../../shell/fields";
import { Sure } from "../../shell/Sure";
import { say } from "../../shell/toast";
import { counted, dayAndClock } from "../../shell/words";

function whatWaits({ count, kinds, photos }: Schemas["HeldShown"]): string {
  const by = Object.entries(kinds).map(([kind, each]) => `${each} ${kind}`);
  const entries = count > 0 ? [`${counted(count, "entry", "entries")} (${by.join(", ")})`] : [];
  return [...entries, ...(photos > 0 ? [counted(photos, "photo")] : [])].join(" and ");
}

export function Held() {
  const held = useQuery({ queryKey: ["held"], queryFn: () => data(api.GET("/api/v1/held")) });
  const [problem, attempt] = useAttempt();
  const settle = (id: number, take: boolean) =>
    attempt(async () => {
      const { saved, refused } = await data(
        api.POST("/api/v1/held/{held_id}", { params: { path: { held_id: id } }, body: { take } }),
      );
      const left = refused > 0 ? `, ${refused} could not be` : "";
      say(take ? `${saved} written${left}.` : "Left out.");
      await queries.invalidateQueries();
    });
  if (!held.data || held.data.length === 0) return null;
  return (
    <Box as="section" aria-label="Waiting for your yes" borderWidth="2px" borderColor="copper" p="3" mb="5">
      <Heading as="h2" fontSize="md" mb="1">
        Waiting for your yes
      </Heading>
      <Text color="faint">
        A device that was shut out had these not sent. Taken in, they count as made by that person, at their
        times.
      </Text>
      {problem && <Problem id="held-problem">{problem}</Problem>}
      {held.data.map((one) => (
        <Flex key={one.id} gap="3" wrap="wrap" align="center" py="2">
          <Text flex="1 1 16rem">
            <b>{one.by_whom}</b>: {whatWaits(one)}, handed over {dayAndClock(one.arrived_at)}
          </Text>
          <Sure
            ask="Write them as this person’s?"
            yes="Take them in"
            onYes={() => void settle(one.id, true)}
          />
          <Sure
            ask="Leave them out for good?"
            yes="Leave them out"
            onYes={() => void settle(one.id, false)}
          />
        </Flex>
      ))}
    </Box>
  );
}
