import "@fontsource-variable/literata";
import "@fontsource-variable/public-sans";
import "./app/app.css";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { pauseAfter } from "./api/pauses";
import { isPassing } from "./api/problem";
import { App } from "./app/App";
import { reach } from "./app/reach";
import { watchText } from "./app/textUndo";

/** Then what is shown says that it failed; the page goes on asking whether the server is there. */
const MOST_TRIES = 12;

// The scroll lock under dialogs adds a style sheet; the content security policy asks for this mark on it.
Object.assign(window, {
  __webpack_nonce__: document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content,
});

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // while the server is away a question waits, at growing pauses, and what is shown stays
      retry: (failures, error) => isPassing(error) && failures < MOST_TRIES,
      retryDelay: (failures) => pauseAfter(failures),
      networkMode: "always",
      refetchOnWindowFocus: true,
      staleTime: 5_000,
    },
    mutations: { networkMode: "always" },
  },
});
reach.onReturn(
  () => void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "job" }),
);
watchText(document);

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
