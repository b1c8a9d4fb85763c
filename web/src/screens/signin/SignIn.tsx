/** Signing in; where the demo is loaded its sign-in is offered. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import { api, data, inWords, type Schemas } from "../../api/client";
import { isRefused, useEntries } from "../../device/entries";
import { sessionIs } from "../../device/session";
import { PageTitle } from "../../shell/PageTitle";
import { Button } from "../../shell/controls";
import { Field, TextInput } from "../../shell/fields";

type SignInBody = Schemas["SignIn"];

export function SignIn({ demo }: { demo: SignInBody | null }) {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);

  const signIn = async (body: SignInBody) => {
    setBusy(true);
    setProblem("");
    try {
      await sessionIs(await data(api.POST("/api/v1/session", { body })));
    } catch (error) {
      setProblem(inWords(error, " Try again."));
      setBusy(false);
    }
  };

  return (
    <>
      <PageTitle>Sign in</PageTitle>
      <Box as="main" minH="100vh" display="grid" gridTemplateColumns={{ base: "1fr", md: "1fr 1fr" }}>
        <Flex
          direction="column"
          justify="flex-end"
          bg="bar"
          color="onBar"
          p={{ base: "6", md: "12" }}
          gap="3"
        >
          <Heading as="h1" fontSize={{ base: "3xl", md: "5xl" }} fontWeight="700">
            Outer Test
          </Heading>
          <Text fontSize={{ base: "md", md: "xl" }} maxW="28rem" color="onBarFaint">
            At the outdoor unit: what to measure, what the number says, and what is still off.
          </Text>
        </Flex>
        <Flex direction="column" justify="center" p={{ base: "6", md: "12" }} maxW="30rem" w="100%" gap="6">
          <form
            onSubmit={(event) => {
              event.preventDefault();
              void signIn({ username: name, password });
            }}
          >
            <Flex direction="column" gap="4">
              <Field label="Name">
                <TextInput
                  autoComplete="username"
                  required
                  value={name}
                  onChange={(event) => setName(event.target.value)}
                />
              </Field>
              <Field label="Password" problem={problem}>
                <TextInput
                  type="password"
                  autoComplete="current-password"
                  required
                  value={password}
                  onChange={(event) => setPassword(event.target.value)}
                />
              </Field>
              <Button type="submit" look="next" disabled={busy}>
                Sign in
              </Button>
            </Flex>
          </form>
          <WaitsHere />
          {demo && (
            <Box borderTopWidth="1px" borderColor="rule" pt="5">
              <Text mb="2">
                A made-up company is loaded to look around in: name <b className="num">{demo.username}</b>,
                password <b className="num">{demo.password}</b>.
              </Text>
              <Button disabled={busy} onClick={() => void signIn(demo)}>
                Sign in to the demo
              </Button>
            </Box>
          )}
        </Flex>
      </Box>
    </>
  );
}

/** What was done on this device and is not sent: it stays whose it is, and goes when they sign in here. */
function WaitsHere() {
  const waiting = useEntries().filter((entry) => !isRefused(entry));
  const members = [...new Set(waiting.map(({ member }) => member))];
  if (members.length === 0) return null;
  return (
    <Box role="status" borderWidth="1px" borderColor="ochre" bg="ochreTint" p="3">
      {members.map((member) => {
        const count = waiting.filter((entry) => entry.member === member).length;
        return (
          <Text key={member}>
            {count} {count === 1 ? "entry" : "entries"} by <b>{member}</b> {count === 1 ? "waits" : "wait"} on
            this device. Sign in as {member} to send {count === 1 ? "it" : "them"}; for anybody else{" "}
            {count === 1 ? "it stays" : "they stay"} here.
          </Text>
        );
      })}
    </Box>
  );
}
