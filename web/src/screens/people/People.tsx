/** The company's people: roles, links to come in by, sign-ins, and the record of changes. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api, data, type Schemas } from "../../api/client";
import { queries } from "../../api/queries";
import { Bar } from "../../shell/Bar";
import { useAttempt } from "../../shell/attempt";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem, TextInput } from "../../shell/fields";
import { dayAndClock } from "../../shell/words";
import { Sure } from "../../shell/Sure";
import { Held } from "./Held";

type PeopleShown = Schemas["PeopleShown"];
type Attempt = (ask: () => Promise<PeopleShown | Schemas["InviteLink"]>) => Promise<void>;

export default function PeopleScreen() {
  const people = useQuery({ queryKey: ["people"], queryFn: () => data(api.GET("/api/v1/people")) });
  const [problem, attempt] = useAttempt();
  const [link, setLink] = useState("");
  const change: Attempt = (ask) =>
    attempt(async () => {
      const answer = await ask();
      if ("token" in answer) setLink(`${window.location.origin}/come-in/${answer.token}`);
      await queries.invalidateQueries({ queryKey: ["people"] });
    });
  return (
    <>
      <Bar title="People">
        <Text color="onBarFaint">People</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="66rem">
        <Heading as="h1" fontSize="2xl" mb="3">
          People
        </Heading>
        {people.isPending && <Text>Opening …</Text>}
        {people.isError && <Text color="brick">{people.error.message}</Text>}
        {problem && <Problem id="people-problem">{problem}</Problem>}
        {link && (
          <Field
            label="Send this link to the person. It is shown once, works once, and expires in a week."
            borderWidth="2px"
            borderColor="copper"
            p="3"
            mb="4"
          >
            <TextInput readOnly className="num" value={link} onFocus={(event) => event.target.select()} />
          </Field>
        )}
        {people.data?.may_change && <Held />}
        {people.data && <Lists shown={people.data} attempt={change} />}
      </Box>
    </>
  );
}

function Lists({ shown, attempt }: { shown: PeopleShown; attempt: Attempt }) {
  const invite = (role: string) =>
    void attempt(() => data(api.POST("/api/v1/people/links", { body: { role } })));
  return (
    <>
      {shown.people.map((one) => (
        <PersonRow key={one.id} one={one} mayChange={shown.may_change} attempt={attempt} />
      ))}
      {shown.may_change && (
        <Flex gap="3" my="4" wrap="wrap">
          <Button onClick={() => invite("technician")}>Invite a technician</Button>
          <Button onClick={() => invite("lead")}>Invite a lead</Button>
        </Flex>
      )}
      {shown.links.length > 0 && (
        <Part title="Open links">
          {shown.links.map((one) => (
            <Row key={one.id}>
              <Text flex="1">
                {one.what}, by {one.made_by}, until {dayAndClock(one.expires_at)}
              </Text>
              <Sure
                ask="Withdraw this link? It stops working; you can make another."
                yes="Withdraw it"
                onYes={() =>
                  void attempt(() =>
                    data(
                      api.DELETE("/api/v1/people/links/{link_id}", { params: { path: { link_id: one.id } } }),
                    ),
                  )
                }
              />
            </Row>
          ))}
        </Part>
      )}
      <Part title="Sign-ins, 90 days">
        {shown.sign_ins.map((one) => (
          <Row key={one.id}>
            <Text flex="1">
              <b>{one.name}</b>, {dayAndClock(one.at)}, {one.address || "address unknown"}
              <Text as="span" display="block" fontSize="sm" color="faint">
                {one.browser}
              </Text>
            </Text>
            {one.here ? (
              <Text>this session</Text>
            ) : one.open ? (
              <Sure
                ask={`End this session of ${one.name}? What is typed there and not sent stays on that device.`}
                yes="End this session"
                onYes={() =>
                  void attempt(() =>
                    data(
                      api.DELETE("/api/v1/people/sign-ins/{sign_in_id}", {
                        params: { path: { sign_in_id: one.id } },
                      }),
                    ),
                  )
                }
              />
            ) : (
              <Text color="faint">ended</Text>
            )}
          </Row>
        ))}
      </Part>
      {shown.may_change && (
        <Part title="Who changed what">
          {shown.changes.length === 0 && <Text color="faint">No changes yet.</Text>}
          {shown.changes.map((one) => (
            <Row key={one.at + one.what}>
              <Text>
                {dayAndClock(one.at)}: <b>{one.by_whom}</b> {one.what}
              </Text>
            </Row>
          ))}
        </Part>
      )}
    </>
  );
}

function PersonRow(props: { one: Schemas["PersonShown"]; mayChange: boolean; attempt: Attempt }) {
  const { one, mayChange, attempt } = props;
  const path = { member_id: one.id };
  const change = (role: string, active: boolean) =>
    void attempt(() =>
      data(api.PUT("/api/v1/people/{member_id}", { params: { path }, body: { role, active } })),
    );
  return (
    <Row>
      <Box flex="1 1 14rem">
        <Text fontWeight="700" color={one.active ? undefined : "faint"}>
          {one.name}
          {one.me && " (you)"}
          {!one.active && ", deactivated"}
        </Text>
        <Text fontSize="sm" color="faint">
          signs in as {one.username}
          {one.last_in && `, last ${dayAndClock(one.last_in)}`}
        </Text>
      </Box>
      {mayChange ? (
        <>
          <Choice
            w="9rem"
            aria-label={`Role of ${one.name}`}
            value={one.role}
            onChange={(event) => change(event.target.value, one.active)}
          >
            <option value="technician">technician</option>
            <option value="lead">lead</option>
          </Choice>
          <Button
            onClick={() =>
              void attempt(() => data(api.POST("/api/v1/people/{member_id}/reset", { params: { path } })))
            }
          >
            New password
          </Button>
          {one.active ? (
            <Sure
              ask={`Deactivate ${one.name}? All their sessions end. You can reactivate them.`}
              yes="Deactivate"
              onYes={() => change(one.role, false)}
            />
          ) : (
            <Button onClick={() => change(one.role, true)}>Reactivate</Button>
          )}
        </>
      ) : (
        <Text>{one.role}</Text>
      )}
    </Row>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box as="section" aria-label={title} mt="7">
      <Heading as="h2" fontSize="md" mb="1">
        {title}
      </Heading>
      {children}
    </Box>
  );
}

function Row({ children }: { children: React.ReactNode }) {
  return (
    <Flex gap="3" wrap="wrap" align="center" py="2" minH="52px" borderTopWidth="1px" borderColor="rule">
      {children}
    </Flex>
  );
}
