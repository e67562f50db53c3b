import { useQueryClient } from "@tanstack/react-query";
import { createContext, useCallback, useContext, useEffect, useState, type ReactNode } from "react";
import { call } from "../api/client";

/** What is told: `undo` is the entry of the history by which a deed is taken back. */
type Message = { text: string; kind?: "done" | "problem"; undo?: string };
type Tell = (message: Message) => void;

const TellContext = createContext<Tell>(() => undefined);
const SHOWN_MILLISECONDS = 6_000;
const UNDO_MILLISECONDS = 20_000;

/** Says what was done, or why it was not; a problem stands until it is read, what can be undone stands longer. */
export function Messages({ children }: { children: ReactNode }) {
  const [message, setMessage] = useState<(Message & { at: number }) | null>(null);
  const client = useQueryClient();
  const tell = useCallback<Tell>((told) => setMessage({ ...told, at: Date.now() }), []);
  useEffect(() => {
    if (!message || message.kind === "problem") {
      return;
    }
    const timer = setTimeout(() => setMessage(null), message.undo ? UNDO_MILLISECONDS : SHOWN_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [message]);
  const undo = async (entry: string) => {
    try {
      await call("POST", `/api/history/${entry}/undo`);
      await client.invalidateQueries();
      tell({ text: "Taken back." });
    } catch (error) {
      tell({ text: (error as Error).message, kind: "problem" });
    }
  };
  return (
    <TellContext.Provider value={tell}>
      {children}
      <div className="told" role={message?.kind === "problem" ? "alert" : "status"}>
        {message && (
          <div className={message.kind === "problem" ? "told-note problem" : "told-note"}>
            <span>{message.text}</span>
            {message.undo && (
              <button type="button" className="act" onClick={() => void undo(message.undo!)}>
                Undo
              </button>
            )}
            <button
              type="button"
              className="act"
              aria-label="Close the message"
              onClick={() => setMessage(null)}
            >
              Close
            </button>
          </div>
        )}
      </div>
    </TellContext.Provider>
  );
}

export function useTell(): Tell {
  return useContext(TellContext);
}
