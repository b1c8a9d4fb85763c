/** Changing one's own password; other sign-ins end with it. */
import { Box, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";

import { api, data, fieldErrors, type FieldError } from "../../api/client";
import { useSession } from "../../api/queries";
import { Bar } from "../../shell/Bar";
import { Button } from "../../shell/controls";
import { Field, Problem, TextInput } from "../../shell/fields";
import { say } from "../../shell/toast";

const FIELDS = [
  ["old", "Your password now", "current-password"],
  ["new", "New password, ten characters or more", "new-password"],
] as const;

export default function Password() {
  const name = useSession().data?.member?.username;
  const [typed, setTyped] = useState({ old: "", new: "" });
  const [errors, setErrors] = useState<FieldError[]>([]);
  const change = async () => {
    try {
      await data(api.POST("/api/v1/session/password", { body: typed }));
      setTyped({ old: "", new: "" });
      setErrors([]);
      say("Your password is changed. Other devices are signed out.");
    } catch (error) {
      setErrors(fieldErrors(error, " Try again."));
    }
  };
  const other = errors.find(({ field }) => !FIELDS.some(([name]) => name === field));
  return (
    <>
      <Bar title="Your password" />
      <Box as="main" p={{ base: "4", md: "8" }} maxW="32rem">
        <Heading as="h1" fontSize="2xl" mb="2">
          Your password
        </Heading>
        <Text mb="4" color="faint">
          You sign in as <b>{name}</b>. Everywhere else you are signed out; here you stay signed in.
        </Text>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void change();
          }}
        >
          {FIELDS.map(([name, label, complete]) => (
            <Field
              key={name}
              label={label}
              mb="4"
              problem={errors.find(({ field }) => field === name)?.message}
            >
              <TextInput
                type="password"
                autoComplete={complete}
                maxLength={1000}
                required
                value={typed[name]}
                onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
              />
            </Field>
          ))}
          <Button type="submit" look="next">
            Change the password
          </Button>
          {other && <Problem id="password-problem">{other.message}</Problem>}
        </form>
      </Box>
    </>
  );
}
