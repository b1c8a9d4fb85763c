/** What a screen that broke shows in its place. What was typed is stored, so opening it again loses nothing. */
import { Box, Heading, Text } from "@chakra-ui/react";
import { Component, type ReactNode } from "react";

import { Button } from "./controls";

const RELOADED = "outer-test.reloaded";
/** A part of the app that is gone after an update: the page is loaded anew, once. */
const GONE = /dynamically imported module|importing a module script failed|error loading dynamically/i;

interface State {
  problem: Error | null;
}

interface Props {
  /** Where the person is: going elsewhere leaves what broke behind. */
  at?: string;
  children: ReactNode;
}

export class ErrorBoundary extends Component<Props, State> {
  override state: State = { problem: null };

  static getDerivedStateFromError(problem: Error): State {
    return { problem };
  }

  override componentDidCatch(problem: Error): void {
    if (GONE.test(problem.message) && sessionStorage.getItem(RELOADED) !== location.pathname) {
      sessionStorage.setItem(RELOADED, location.pathname);
      location.reload();
    }
  }

  override componentDidUpdate(before: Props): void {
    if (before.at !== this.props.at && this.state.problem !== null) this.setState({ problem: null });
  }

  override render(): ReactNode {
    const { problem } = this.state;
    if (problem === null) return this.props.children;
    return (
      <Box as="main" role="alert" p="8" maxW="40rem">
        <Heading as="h1" fontSize="xl" mb="2">
          This screen stopped working.
        </Heading>
        <Text mb="4">
          What you typed is stored on this device. Open the screen again; if it stops again, go to the day’s
          visits.
        </Text>
        <Button look="next" mr="2" onClick={() => this.setState({ problem: null })}>
          Open it again
        </Button>
        <Button onClick={() => location.assign("/")}>Today’s visits</Button>
        <Text fontSize="sm" color="faint" mt="4">
          {problem.message}
        </Text>
      </Box>
    );
  }
}
