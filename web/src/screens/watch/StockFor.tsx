/** What the company's vans will need until the end of next month, beside what one's own has. */
import { Box, chakra, Heading, Link, Text } from "@chakra-ui/react";
import { Link as RouterLink, useLocation } from "react-router";

import type { Schemas } from "../../api/client";
import { day } from "../../shell/words";

const Table = chakra("table");

export function StockFor({ list }: { list: Schemas["WatchList"] }) {
  const there = useLocation().pathname === "/van";
  return (
    <Box as="section" aria-label="Stock for" borderTopWidth="2px" borderColor="ink" pt="3">
      <Heading as="h2" fontSize="md">
        Stock for {day(list.until)}
      </Heading>
      <Text fontSize="sm" color="faint" mb="2">
        Bad now, or past its limit by then.
      </Text>
      {list.carry.length === 0 && <Text>Nothing.</Text>}
      {list.carry.length > 0 && (
        <Table w="100%" css={{ "& td, & th": { borderTopWidth: "1px", borderColor: "rule", py: "1" } }}>
          <thead>
            <tr>
              <chakra.th textAlign="start" fontWeight="600">
                Part
              </chakra.th>
              <chakra.th textAlign="end" fontWeight="600">
                needed
              </chakra.th>
              <chakra.th textAlign="end" fontWeight="600" pl="3">
                on your van
              </chakra.th>
            </tr>
          </thead>
          <tbody>
            {list.carry.map((one) => (
              <tr key={one.part}>
                <td>{one.part}</td>
                <chakra.td className="num" textAlign="end" fontWeight="700">
                  {one.count}
                </chakra.td>
                <chakra.td
                  className="num"
                  textAlign="end"
                  color={one.have < one.count ? "brick" : undefined}
                  fontWeight={one.have < one.count ? "700" : undefined}
                >
                  {one.have}
                </chakra.td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      {!there && (
        <Link
          asChild
          color="ink"
          textDecoration="underline"
          minH="44px"
          display="inline-flex"
          alignItems="center"
        >
          <RouterLink to="/van">Your van</RouterLink>
        </Link>
      )}
    </Box>
  );
}
