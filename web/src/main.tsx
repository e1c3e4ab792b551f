import "@fontsource-variable/atkinson-hyperlegible-next";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { App } from "./App";
import { t } from "./i18n/texts";

const client = new QueryClient({ defaultOptions: { queries: { retry: 2, staleTime: 30_000 } } });
const bench = document.getElementById("bench");
if (!bench) throw new Error(t("screen.app.index_html_has_no_place_for"));

createRoot(bench).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
