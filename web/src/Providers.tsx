import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { QueryClientProvider, type QueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { queryClient } from "./shared/api/answers";
import { Messages } from "./shared/parts/Messages";
import { theme } from "./theme/theme";

/** What every page stands in: the look, the answers kept, and what is told. */
export function Providers({ client = queryClient, children }: { client?: QueryClient; children: ReactNode }) {
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline />
      <QueryClientProvider client={client}>
        <Messages>{children}</Messages>
      </QueryClientProvider>
    </ThemeProvider>
  );
}
