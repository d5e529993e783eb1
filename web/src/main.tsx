import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { ApiError } from "./api/client";
import { startOutbox } from "./api/outbox";
import { App } from "./app/App";
import { keepAnswers, keepPages } from "./offline";
import "./app/theme.css";

const AGAIN_MS = 3000;

/** What got no answer is asked again by itself; what was refused is not. */
const askAgain = ({ state }: { state: { status: string; error: unknown } }) =>
  state.status === "error" && !(state.error instanceof ApiError && state.error.status < 500) && AGAIN_MS;

// The server is on this machine or in this house: whether the browser sees the internet says nothing of it.
const networkMode = "always";
const queries = new QueryClient({
  defaultOptions: {
    queries: { retry: 1, refetchOnWindowFocus: false, networkMode, refetchInterval: askAgain },
    mutations: { networkMode },
  },
});
startOutbox(queries);
keepAnswers(queries);
keepPages();

const root = document.getElementById("root");
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
