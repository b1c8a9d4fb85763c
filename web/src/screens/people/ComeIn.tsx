/** Coming in by a link: a new member, or a new password. */
import { Box, Heading, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api, data, fieldErrors, type FieldError } from "../../api/client";
import { Notice } from "../../shell/Notice";
import { PageTitle } from "../../shell/PageTitle";
import { Button } from "../../shell/controls";
import { Field, Problem, TextInput } from "../../shell/fields";

const FIELDS: [string, string, string, boolean][] = [
  ["first_name", "First name", "given-name", false],
  ["last_name", "Last name", "family-name", false],
  ["username", "Name to sign in with, before the @", "off", false],
  ["password", "Password, ten characters or more", "new-password", true],
];

export default function ComeInScreen({ token }: { token: string }) {
  const link = useQuery({
    queryKey: ["link", token],
    queryFn: () => data(api.GET("/api/v1/invitation", { params: { query: { token } } })),
    retry: false,
  });
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [errors, setErrors] = useState<FieldError[]>([]);
  if (link.isPending) return <Notice>Opening the link …</Notice>;
  if (link.isError) return <Notice>{link.error.message}</Notice>;
  const reset = link.data.reset_of !== "";
  const comeIn = async () => {
    try {
      const body = { token, password: typed.password ?? "", username: "", first_name: "", last_name: "" };
      await data(api.POST("/api/v1/invitation", { body: { ...body, ...typed } }));
      window.location.assign("/");
    } catch (error) {
      setErrors(fieldErrors(error, " Try again."));
    }
  };
  const at = (name: string) => errors.find(({ field }) => field.split(".").at(-1) === name)?.message;
  const fields = FIELDS.filter(([name]) => !reset || name === "password");
  const other = errors.find((one) => !fields.some(([name]) => one.field.split(".").at(-1) === name));
  return (
    <>
      <PageTitle>{reset ? "New password" : "Create my sign-in"}</PageTitle>
      <Box as="main" p={{ base: "6", md: "12" }} maxW="32rem">
        <Heading as="h1" fontSize="3xl" mb="2">
          Outer Test
        </Heading>
        <Text mb="5">
          {reset
            ? `A new password for ${link.data.reset_of}, ${link.data.company}.`
            : `${link.data.company} invites you as ${link.data.role}.`}
        </Text>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void comeIn();
          }}
        >
          {fields.map(([name, label, complete, secret]) => (
            <Field label={label} key={name} mb="4" problem={at(name)}>
              <TextInput
                type={secret ? "password" : "text"}
                autoComplete={complete}
                maxLength={150}
                value={typed[name] ?? ""}
                onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
              />
            </Field>
          ))}
          {!reset && (
            <Field label="You will sign in as" mb="4">
              {/* Read only: what a password keeper takes as the name. */}
              <TextInput
                readOnly
                bg="transparent"
                borderColor="transparent"
                px="0"
                fontWeight="700"
                autoComplete="username"
                value={typed.username?.trim() ? `${typed.username.trim()}@${link.data.handle}` : ""}
              />
            </Field>
          )}
          <Button type="submit" look="next">
            {reset ? "Set the password" : "Create my sign-in"}
          </Button>
          {other && <Problem id="come-in-problem">{other.message}</Problem>}
        </form>
      </Box>
    </>
  );
}
