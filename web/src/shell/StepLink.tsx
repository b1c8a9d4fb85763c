/** A link to where something of a visit is read or entered, in the words of a line. */
import { Text } from "@chakra-ui/react";
import { Link } from "react-router";

export function StepLink({ to, children }: { to: string; children: string }) {
  return (
    <Link to={to}>
      <Text as="span" color="copper" fontWeight="700" textDecoration="underline">
        {children}
      </Text>
    </Link>
  );
}
