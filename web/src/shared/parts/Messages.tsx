import { useQueryClient } from "@tanstack/react-query";
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
  type RefObject,
} from "react";
import { api } from "../api/client";
import { askAgain } from "../api/answers";
import { LineContext } from "../layout/lines";

/** What is told: `undo` is the entry of the history by which a deed is taken back. */
export type Message = { text: string; kind?: "done" | "problem"; undo?: string };
type Shown = Message & { id: number; line: string };

type Telling = {
  shown: Shown[];
  tell: (line: string, message: Message) => void;
  close: (id: number) => void;
  enter: (line: string, element: HTMLElement) => () => void;
};

const TellingContext = createContext<Telling>({
  shown: [],
  tell: () => undefined,
  close: () => undefined,
  enter: () => () => undefined,
});

const SHOWN_MILLISECONDS = 8_000;
const UNDO_MILLISECONDS = 30_000;

/**
 * Keeps what was done, or why it was not, and beside which line of the page it is told. When that line is gone, it is
 * told beside the first line in view. A problem stands until it is closed.
 */
export function Messages({ children }: { children: ReactNode }) {
  const [shown, setShown] = useState<Shown[]>([]);
  const lines = useRef(new Map<string, HTMLElement>());
  const next = useRef(0);
  const settle = useCallback(
    () =>
      setShown((all) => (all.some((one) => !lines.current.has(one.line)) ? placed(all, lines.current) : all)),
    [],
  );
  const close = useCallback((id: number) => setShown((all) => all.filter((one) => one.id !== id)), []);
  const tell = useCallback((line: string, message: Message) => {
    next.current++;
    setShown((all) => placed([{ ...message, id: next.current, line }, ...kept(all, message)], lines.current));
  }, []);
  const enter = useCallback(
    (line: string, element: HTMLElement) => {
      lines.current.set(line, element);
      settle();
      return () => {
        lines.current.delete(line);
        settle();
      };
    },
    [settle],
  );
  const telling = useMemo(() => ({ shown, tell, close, enter }), [shown, tell, close, enter]);
  return <TellingContext.Provider value={telling}>{children}</TellingContext.Provider>;
}

/** What still stands when something new is told: problems that are not read yet, unless the new one is a problem. */
function kept(all: Shown[], told: Message): Shown[] {
  return told.kind === "problem" ? [] : all.filter((one) => one.kind === "problem");
}

function placed(all: Shown[], lines: Map<string, HTMLElement>): Shown[] {
  if (lines.size === 0) {
    return all;
  }
  const entries = [...lines].sort(([, a], [, b]) =>
    a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1,
  );
  const [inView] = entries.find(([, element]) => element.getBoundingClientRect().bottom > 0) ?? entries[0]!;
  return all.map((one) => (lines.has(one.line) ? one : { ...one, line: inView }));
}

/** Tells something beside the line in which this is used. */
export function useTell(): (message: Message) => void {
  const line = useContext(LineContext);
  const { tell } = useContext(TellingContext);
  return useCallback((message) => tell(line, message), [tell, line]);
}

/** Makes a line of the page a place where something can be told. */
export function useLine(line: string, element: RefObject<HTMLElement | null>) {
  const { enter } = useContext(TellingContext);
  useLayoutEffect(() => (element.current ? enter(line, element.current) : undefined), [line, element, enter]);
}

/** What is told beside one line. */
export function Told({ line }: { line: string }) {
  const here = useContext(TellingContext).shown.filter((one) => one.line === line);
  return (
    <div className="line-told">
      {here.map((message) => (
        <Note key={message.id} message={message} />
      ))}
    </div>
  );
}

function Note({ message }: { message: Shown }) {
  const { close, tell } = useContext(TellingContext);
  const client = useQueryClient();
  const element = useRef<HTMLDivElement>(null);
  const problem = message.kind === "problem";
  const { id, undo, line } = message;
  useEffect(() => {
    element.current?.scrollIntoView({ block: "nearest" });
    if (problem) {
      return;
    }
    const timer = setTimeout(() => close(id), undo ? UNDO_MILLISECONDS : SHOWN_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [id, problem, undo, close]);
  const takeBack = async (entry: string) => {
    try {
      await api.POST("/api/history/{id}/undo", { params: { path: { id: entry } } });
      tell(line, { text: "Undone." });
      await askAgain(client, "anything");
    } catch (error) {
      tell(line, { text: (error as Error).message, kind: "problem" });
    }
  };
  return (
    <div
      ref={element}
      tabIndex={-1}
      className={problem ? "told problem" : "told"}
      role={problem ? "alert" : "status"}
    >
      <span>{message.text}</span>
      {undo && (
        <button type="button" className="act" onClick={() => void takeBack(undo)}>
          Undo
        </button>
      )}
      <button type="button" className="act minor" aria-label="Close the message" onClick={() => close(id)}>
        Close
      </button>
    </div>
  );
}
