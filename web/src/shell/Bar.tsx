/** The dark bar at the top of every screen: the name, what this screen is about, and the person's own switches. */
import { Box, Flex, Link } from "@chakra-ui/react";
import { Building2, Eye, LogOut, Moon, Search, Sun } from "lucide-react";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";

import { api, data } from "../api/client";
import { queries } from "../api/queries";
import { useMode } from "../theme/mode";
import { useScale } from "../theme/temperature";
import { BarButton } from "./controls";
import { PageTitle } from "./PageTitle";
import { Timers } from "./Timers";

/** `title` is what the tab and a screen reader call this page; the first clock that runs leads it. */
export function Bar({ title, children }: { title: string; children?: ReactNode }) {
  const [mode, turn] = useMode();
  const [scale, turnScale] = useScale();
  const leave = async () => {
    queries.setQueryData(["session"], await data(api.DELETE("/api/v1/session")));
    // What the one before saw is not there for the next.
    queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== "session" });
  };
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
        px={{ base: "3", md: "5" }}
        py="1"
        align="center"
        gap="3"
        wrap="wrap"
        className="no-print"
      >
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
        <Flex
          flex="1"
          align="center"
          gap="3"
          minW="0"
          wrap={{ base: "wrap", lg: "nowrap" }}
          order={{ base: 3, lg: 0 }}
          flexBasis={{ base: "100%", lg: "0" }}
        >
          {children}
        </Flex>
        <Box ml="auto" display="flex">
          <BarLink to="/find" label="Find a unit or visit">
            <Search size={20} aria-hidden />
          </BarLink>
          <BarLink to="/watch" label="Watch list">
            <Eye size={20} aria-hidden />
          </BarLink>
          <BarLink to="/company" label="Company">
            <Building2 size={20} aria-hidden />
          </BarLink>
          <BarButton label={`Temperatures in ${scale}; change`} onClick={turnScale}>
            <span>{scale}</span>
          </BarButton>
          <BarButton label={mode === "dark" ? "Light" : "Dark"} onClick={turn}>
            {mode === "dark" ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
          </BarButton>
          <BarButton label="Sign out" onClick={() => void leave()}>
            <LogOut size={20} aria-hidden />
          </BarButton>
        </Box>
      </Flex>
      <Timers />
    </>
  );
}

function BarLink({ to, label, children }: { to: string; label: string; children: ReactNode }) {
  return (
    <Link
      asChild
      color="onBar"
      minW="44px"
      minH="44px"
      display="grid"
      placeItems="center"
      aria-label={label}
      title={label}
    >
      <RouterLink to={to}>{children}</RouterLink>
    </Link>
  );
}
