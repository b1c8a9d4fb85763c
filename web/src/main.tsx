import "@fontsource-variable/archivo/index.css";
import "@fontsource-variable/red-hat-mono/index.css";

import { ChakraProvider } from "@chakra-ui/react";
import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";

import { queries } from "./api/queries";
import { resumeTimers } from "./api/timers";
import { App } from "./App";
import { ErrorBoundary } from "./shell/ErrorBoundary";
import { applyMode } from "./theme/mode";
import { system } from "./theme/system";

applyMode();
resumeTimers();

const root = document.getElementById("root");
if (root === null) throw new Error("index.html has no root element");
createRoot(root).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <QueryClientProvider client={queries}>
        {/* At once, not when there is time: the next key must land in the next reading's field. */}
        <BrowserRouter useTransitions={false}>
          <ErrorBoundary>
            <App />
          </ErrorBoundary>
        </BrowserRouter>
      </QueryClientProvider>
    </ChakraProvider>
  </StrictMode>,
);
