import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { startOutbox } from "./api/outbox";
import { App } from "./app/App";
import "./app/theme.css";

// The server is on this machine or in this house: whether the browser sees the internet says nothing of it.
const networkMode = "always";
const queries = new QueryClient({
  defaultOptions: {
    queries: { retry: 1, refetchOnWindowFocus: false, networkMode },
    mutations: { networkMode },
  },
});
startOutbox(queries);

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
