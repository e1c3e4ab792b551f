import "@fontsource-variable/atkinson-hyperlegible-next";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { App } from "./App";
import { t } from "./i18n/texts";

// Where the browser does not trust the certificate there is none: the shop then works as long as its network does.
if ("serviceWorker" in navigator && import.meta.env.PROD)
  navigator.serviceWorker.register("/sw.js").catch((fault: unknown) => console.warn(fault));

const client = new QueryClient({ defaultOptions: { queries: { retry: 2, staleTime: 30_000 } } });
// What was asked before the service worker was there, it has not kept.
navigator.serviceWorker?.addEventListener("controllerchange", () => {
  for (const key of ["session", "shop", "card-of"]) void client.invalidateQueries({ queryKey: [key] });
});
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
