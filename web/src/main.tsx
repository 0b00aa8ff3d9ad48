import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter } from "react-router";
import { RouterProvider } from "react-router/dom";

import { ThingsPage } from "./features/items/ThingsPage";
import { NewRackPage } from "./features/racks/NewRackPage";
import { RacksPage } from "./features/racks/RacksPage";
import { RackPage } from "./features/rack/RackPage";
import { BenchPage } from "./features/making/BenchPage";
import { TimberPage } from "./features/timber/TimberPage";
import { TogetherPage } from "./features/timber/TogetherPage";
import { WallPage } from "./features/walls/WallPage";
import { VersionsPage } from "./features/versions/VersionsPage";
import "./styles.css";
import { NotFound } from "./ui/NotFound";
import { applyTheme } from "./ui/theme";
import { Toasts } from "./ui/Toasts";

applyTheme();
const nonce = document.querySelector<HTMLMetaElement>("meta[name=csp-nonce]")?.content;
// Radix menus add a style element of their own; the policy lets it in by this nonce.
if (nonce) Object.assign(globalThis, { __webpack_nonce__: nonce });

const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 10_000 } } });

const router = createBrowserRouter([
  { path: "/", element: <RacksPage /> },
  { path: "/new", element: <NewRackPage /> },
  { path: "/things", element: <ThingsPage /> },
  { path: "/racks/:id", element: <RackPage stage="rack" /> },
  { path: "/racks/:id/wall", element: <RackPage stage="wall" /> },
  { path: "/racks/:id/fixing", element: <RackPage stage="fixing" /> },
  { path: "/racks/:id/timber", element: <RackPage stage="timber" /> },
  { path: "/racks/:id/making", element: <RackPage stage="making" /> },
  { path: "/racks/:id/log", element: <RackPage stage="log" /> },
  { path: "/racks/:id/bench", element: <BenchPage /> },
  { path: "/timber", element: <TimberPage /> },
  { path: "/timber/together", element: <TogetherPage /> },
  { path: "/walls/:id", element: <WallPage /> },
  { path: "/racks/:id/versions", element: <VersionsPage /> },
  { path: "*", element: <NotFound /> },
]);

const root = document.getElementById("root");
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <Toasts>
          <RouterProvider router={router} />
        </Toasts>
      </QueryClientProvider>
    </StrictMode>,
  );
