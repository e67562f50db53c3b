import { useEffect, useState } from "react";
import type { IntakeSummary } from "../shared/api/types";

/** How far an intake is read; `path` is the file read last. */
export type Progress = Pick<IntakeSummary, "state" | "doneBytes" | "totalBytes" | "files"> & { path: string };

/** What the server tells while it reads an intake; `onEnd` is called when it has read it. */
export function useProgress(id: string, onEnd: () => void): Progress | null {
  const [progress, setProgress] = useState<Progress | null>(null);
  useEffect(() => {
    const events = new EventSource(`/api/intakes/${id}/progress`);
    events.onmessage = ({ data }: MessageEvent<string>) => {
      const told = progressIn(data);
      setProgress(told);
      if (told && told.state !== "READING") {
        events.close();
        onEnd();
      }
    };
    return () => events.close();
  }, [id, onEnd]);
  return progress;
}

/** An event of the server; nothing for one that is not understood. */
export function progressIn(data: string): Progress | null {
  try {
    const told = JSON.parse(data) as Partial<Progress> | null;
    return told && typeof told.doneBytes === "number" && typeof told.totalBytes === "number"
      ? {
          state: told.state ?? "READING",
          doneBytes: told.doneBytes,
          totalBytes: told.totalBytes,
          files: told.files ?? 0,
          path: told.path ?? "",
        }
      : null;
  } catch {
    return null;
  }
}
