import "@fontsource-variable/atkinson-hyperlegible-mono";
import "@fontsource-variable/atkinson-hyperlegible-next";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router/dom";
import { connect } from "./live/connection";
import { loadTheRest, router } from "./router";
import "./styles.css";
import { show as showTheme } from "./ui/theme";

/** After the page that was asked for stands. */
const REST_MS = 2000;

showTheme();
connect();

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <RouterProvider router={router} />
  </StrictMode>,
);
setTimeout(() => void loadTheRest().catch(() => undefined), REST_MS);
