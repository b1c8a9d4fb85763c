/** The dark bar at the top of every screen: what this screen is about, the way to the others, and a menu. */
import { Box, chakra, Flex, Link, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Link as RouterLink, NavLink } from "react-router";

import { MainMenu, PLACES } from "./MainMenu";
import { PageTitle } from "./PageTitle";
import { NewVersion } from "./NewVersion";
import { Timers } from "./Timers";
import { Unsent } from "./Unsent";

const Way = chakra(NavLink, {
  base: {
    color: "onBar",
    minH: "44px",
    px: "2",
    display: "inline-flex",
    alignItems: "center",
    whiteSpace: "nowrap",
    _currentPage: { fontWeight: "700", textDecoration: "underline", textUnderlineOffset: "6px" },
  },
});

/**
 * `title` is what the tab and a screen reader call this page; the first clock that runs leads it. In the round the way back to
 * the day stands first, and all else is in the menu.
 */
export function Bar({
  title,
  children,
  inRound = false,
}: {
  title: string;
  children?: ReactNode;
  inRound?: boolean;
}) {
  return (
    <>
      <PageTitle>{title}</PageTitle>
      <Flex
        as="header"
        bg="bar"
        color="onBar"
        minH="56px"
        position={{ lg: "sticky" }}
        top="0"
        zIndex="20"
        px={{ base: "2", md: "5" }}
        py="1"
        align="center"
        gap={{ base: "2", md: "3" }}
        className="no-print"
      >
        {inRound ? (
          <Way to="/" aria-label="Today">
            ‹
            <Text as="span" hideBelow="lg" ml="1">
              Today
            </Text>
          </Way>
        ) : (
          <Link
            asChild
            color="onBar"
            fontWeight="700"
            fontSize="lg"
            minH="44px"
            display="inline-flex"
            alignItems="center"
            whiteSpace="nowrap"
          >
            <RouterLink to="/">Outer Test</RouterLink>
          </Link>
        )}
        <Flex flex="1" align="center" gap="3" minW="0">
          {children}
        </Flex>
        {!inRound && (
          <Box as="nav" aria-label="Main" hideBelow="lg" display="flex">
            {PLACES.map(({ to, name }) => (
              <Way key={to} to={to} end>
                {name}
              </Way>
            ))}
          </Box>
        )}
        <MainMenu withPlaces={inRound} />
      </Flex>
      <Unsent />
      <NewVersion />
      <Timers />
    </>
  );
}
