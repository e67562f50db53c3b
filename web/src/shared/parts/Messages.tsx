import Snackbar from "@mui/material/Snackbar";
import { createContext, useCallback, useContext, useState, type ReactNode } from "react";

type Kind = "done" | "problem";
type Tell = (text: string, kind?: Kind) => void;

const TellContext = createContext<Tell>(() => undefined);

/** Says, at the foot of the page, what was done or why it was not. */
export function Messages({ children }: { children: ReactNode }) {
  const [message, setMessage] = useState<{ text: string; kind: Kind } | null>(null);
  const tell = useCallback<Tell>((text, kind = "done") => setMessage({ text, kind }), []);
  return (
    <TellContext.Provider value={tell}>
      {children}
      <Snackbar
        open={message !== null}
        autoHideDuration={message?.kind === "problem" ? 12_000 : 5_000}
        onClose={(_, reason) => reason !== "clickaway" && setMessage(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
        message={message?.text}
        slotProps={{
          content: {
            role: message?.kind === "problem" ? "alert" : "status",
            sx: {
              background: "var(--ink)",
              color: "var(--paper)",
              fontSize: 16,
              maxWidth: "60ch",
              borderLeft: message?.kind === "problem" ? "4px solid var(--soon)" : "none",
            },
          },
        }}
      />
    </TellContext.Provider>
  );
}

export function useTell(): Tell {
  return useContext(TellContext);
}
