/** A rule opened by its name: what it says, where it comes from, and the house choices it can be judged by. */
import { Box, Heading, Text } from "@chakra-ui/react";
import { useParams } from "react-router";

import { useRule } from "../../api/queries";
import { Bar } from "../../shell/Bar";
import { Notice } from "../../shell/Notice";

export default function RuleScreen() {
  const { name = "" } = useParams();
  const rule = useRule(name);
  if (rule.isPending) return <Notice>Opening the rule …</Notice>;
  if (rule.isError) return <Notice>{rule.error.message}</Notice>;
  const { title, says, origin, schools } = rule.data;
  return (
    <>
      <Bar title={`Rule ${name}`}>
        <Text color="onBarFaint">Rule {name}</Text>
      </Bar>
      <Box as="main" p={{ base: "4", md: "8" }} maxW="46rem">
        <Heading as="h1" fontSize="2xl" mb="1">
          {title}
        </Heading>
        <Text color="faint" mb="4">
          {origin}
        </Text>
        {says.map((paragraph) => (
          <Text key={paragraph} mb="3">
            {paragraph.replaceAll("`", "")}
          </Text>
        ))}
        {schools.length > 0 && (
          <>
            <Heading as="h2" fontSize="md" mt="5" mb="1">
              House choices
            </Heading>
            <ul>
              {schools.map((school) => (
                <Text as="li" key={school}>
                  {school}
                </Text>
              ))}
            </ul>
          </>
        )}
      </Box>
    </>
  );
}
