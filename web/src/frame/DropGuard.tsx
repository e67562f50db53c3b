import { useEffect } from "react";
import { useTell } from "../shared/parts/Messages";
import { words } from "./words";

/** A file dropped beside every drop area leaves the page as it is, where the browser would open the file instead. */
export function DropGuard() {
  const tell = useTell();
  useEffect(() => {
    const over = (event: DragEvent) => {
      if (event.dataTransfer?.types.includes("Files")) {
        event.preventDefault();
      }
    };
    const drop = (event: DragEvent) => {
      if (!event.defaultPrevented && event.dataTransfer?.types.includes("Files")) {
        event.preventDefault();
        tell({ text: words.droppedBeside });
      }
    };
    window.addEventListener("dragover", over);
    window.addEventListener("drop", drop);
    return () => {
      window.removeEventListener("dragover", over);
      window.removeEventListener("drop", drop);
    };
  }, [tell]);
  return null;
}
