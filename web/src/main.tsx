import "@fontsource-variable/atkinson-hyperlegible-mono";
import "@fontsource-variable/atkinson-hyperlegible-next";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router/dom";
import { connect, welcomed } from "./live/connection";
import { firstPart, router } from "./router";
import "./styles.css";
import { show as showTheme } from "./ui/theme";

showTheme();
connect();
/** The first picture waits for as long for the show: a page that stands empty for a moment is laid out twice. */
const WELCOME_MS = 500;

void Promise.all([firstPart(), welcomed(WELCOME_MS)]).then(() =>
  createRoot(document.getElementById("root")!).render(
    <StrictMode>
      <RouterProvider router={router} />
    </StrictMode>,
  ),
);
