import { QueryClientProvider } from "@tanstack/react-query";
import { type ComponentType, lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter } from "react-router";
import { RouterProvider } from "react-router/dom";

import { queries } from "./api/queries";
import { RacksPage } from "./features/racks/RacksPage";
import "./styles.css";
import { keepFocus } from "./ui/keepFocus";
import { NotFound } from "./ui/NotFound";
import { WithSkipLink } from "./ui/SkipLink";
import { applyTheme } from "./ui/theme";
import { Toasts } from "./ui/Toasts";
import { speakOfAll, t } from "./messages";

/** The first page comes at once; every other one, and what it says, when it is gone to. */
const later = <P extends object>(page: () => Promise<ComponentType<P>>) =>
  lazy(async () => {
    await speakOfAll();
    return { default: await page() };
  });

const SettingsPage = later(async () => (await import("./features/settings/SettingsPage")).SettingsPage);
const WordsPage = later(async () => (await import("./features/help/WordsPage")).WordsPage);
const AboutPage = later(async () => (await import("./features/about/AboutPage")).AboutPage);
const ThingsPage = later(async () => (await import("./features/items/ThingsPage")).ThingsPage);
const NewRackPage = later(async () => (await import("./features/racks/NewRackPage")).NewRackPage);
const RackPage = later(async () => (await import("./features/rack/RackPage")).RackPage);
const BenchPage = later(async () => (await import("./features/making/BenchPage")).BenchPage);
const TimberPage = later(async () => (await import("./features/timber/TimberPage")).TimberPage);
const TogetherPage = later(async () => (await import("./features/timber/TogetherPage")).TogetherPage);
const WallPage = later(async () => (await import("./features/walls/WallPage")).WallPage);
const VersionsPage = later(async () => (await import("./features/versions/VersionsPage")).VersionsPage);

applyTheme();
keepFocus(document);
const nonce = document.querySelector<HTMLMetaElement>("meta[name=csp-nonce]")?.content;
// Radix menus add a style element of their own; the policy lets it in by this nonce.
if (nonce) Object.assign(globalThis, { __webpack_nonce__: nonce });

const AWAY = t("ui.this-page-could-not-be-fetched");

const router = createBrowserRouter([
  {
    element: <WithSkipLink />,
    errorElement: <NotFound text={AWAY} />,
    children: [
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
      { path: "/settings", element: <SettingsPage /> },
      { path: "/words", element: <WordsPage /> },
      { path: "/about", element: <AboutPage /> },
      { path: "*", element: <NotFound /> },
    ],
  },
]);

const root = document.getElementById("root");
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <Toasts>
          <Suspense>
            <RouterProvider router={router} />
          </Suspense>
        </Toasts>
      </QueryClientProvider>
    </StrictMode>,
  );
