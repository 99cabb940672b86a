import "@fontsource-variable/literata";
import "@fontsource-variable/public-sans";
import "./app/app.css";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { App } from "./app/App";

// The scroll lock under dialogs adds a style sheet; the content security policy asks for this mark on it.
Object.assign(window, {
  __webpack_nonce__: document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content,
});

const queries = new QueryClient({
  defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true, staleTime: 5_000 } },
});

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
