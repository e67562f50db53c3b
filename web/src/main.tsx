import "@fontsource-variable/literata/opsz.css";
import "@fontsource-variable/literata/opsz-italic.css";
import "@fontsource-variable/ysabeau-office/wght.css";
import "@fontsource-variable/ysabeau-office/wght-italic.css";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter } from "react-router";
import { App, routes } from "./App";
import { askAhead } from "./askAhead";
import { Providers } from "./Providers";
import { queryClient } from "./shared/api/answers";
import "./theme/colors.css";
import "./theme/page.css";
import "./theme/parts.css";
import "./theme/narrow.css";

void askAhead(queryClient, window.location);
createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <Providers>
      <App router={createBrowserRouter(routes)} />
    </Providers>
  </StrictMode>,
);
