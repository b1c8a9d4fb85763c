/** A link by which the customer reads the page of this visit without signing in: made, passed on, ended. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api, data, inWords, type Schemas } from "../../api/client";
import { queries } from "../../api/queries";
import { useAttempt } from "../../shell/attempt";
import { Button } from "../../shell/controls";
import { Problem } from "../../shell/fields";
import { say } from "../../shell/toast";
import { dayAndClock } from "../../shell/words";

type Links = Schemas["CustomerLinks"];

export function CustomerLink({ visit, title }: { visit: string; title: string }) {
  const path = { visit_id: visit };
  const key = ["customer links", visit];
  const links = useQuery({
    queryKey: key,
    queryFn: () => data(api.GET("/api/v1/visits/{visit_id}/links", { params: { path } })),
  });
  const [address, setAddress] = useState("");
  const [problem, attempt] = useAttempt();
  const change = (ask: () => Promise<Links>) =>
    attempt(async () => {
      const answer = await ask();
      queries.setQueryData(key, answer);
      setAddress(answer.address);
    });
  if (!links.data?.allowed) return null;
  return (
    <Box as="section" aria-label="Link for the customer" my="4" className="no-print">
      <Button
        onClick={() =>
          void change(() => data(api.POST("/api/v1/visits/{visit_id}/links", { params: { path } })))
        }
      >
        Make a link for the customer
      </Button>
      {problem && <Problem id="link-problem">{problem}</Problem>}
      {address && <PassOn address={address} title={title} />}
      {links.data.links.map((link) => (
        <Flex key={link.id} gap="3" align="center" wrap="wrap" mt="2">
          <Text>
            Open until {dayAndClock(link.expires_at)}, made by {link.by_whom}
          </Text>
          <Button
            look="quiet"
            onClick={() =>
              void change(() =>
                data(
                  api.POST("/api/v1/visits/{visit_id}/links/{link_id}/end", {
                    params: { path: { ...path, link_id: link.id } },
                  }),
                ),
              )
            }
          >
            End this link
          </Button>
        </Flex>
      ))}
    </Box>
  );
}

/** The address, shown once: by the phone's own share sheet, by e-mail, or copied. */
function PassOn({ address, title }: { address: string; title: string }) {
  const mail = `mailto:?subject=${encodeURIComponent(title)}&body=${encodeURIComponent(address)}`;
  const copy = async () => {
    await navigator.clipboard.writeText(address);
    say("Copied.");
  };
  return (
    <Box mt="3">
      <Input
        readOnly
        aria-label="Address for the customer"
        value={address}
        onFocus={(event) => event.target.select()}
      />
      <Text color="faint" fontSize="sm">
        Shown once. Whoever has it can read this visit’s customer page.
      </Text>
      <Flex gap="3" wrap="wrap" mt="2">
        {"share" in navigator && (
          <Button look="next" onClick={() => void navigator.share({ title, url: address }).catch(dismissed)}>
            Share
          </Button>
        )}
        <a href={mail}>
          <Button as="span" display="inline-flex" alignItems="center">
            E-mail
          </Button>
        </a>
        <Button onClick={() => void copy()}>Copy</Button>
      </Flex>
    </Box>
  );
}

/** Closing the phone's share sheet is no failure; anything else is. */
function dismissed(error: unknown) {
  if (!(error instanceof DOMException && error.name === "AbortError")) say(inWords(error));
}
