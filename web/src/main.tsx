import "@fontsource-variable/literata/opsz.css";
import "@fontsource-variable/literata/opsz-italic.css";
import "@fontsource-variable/ysabeau-office/wght.css";
import "@fontsource-variable/ysabeau-office/wght-italic.css";
import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { App } from "./App";
import { queryClient } from "./shared/api/queries";
import { Messages } from "./shared/parts/Messages";
import "./theme/colors.css";
import "./theme/page.css";
import "./theme/parts.css";
import { theme } from "./theme/theme";

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline />
      <QueryClientProvider client={queryClient}>
        <Messages>
          <BrowserRouter>
            <App />
          </BrowserRouter>
        </Messages>
      </QueryClientProvider>
    </ThemeProvider>
  </StrictMode>,
);
