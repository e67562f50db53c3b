import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect } from "react";
import { useBlocker } from "react-router";
import { useAnyUnsaved } from "../shared/parts/unsaved";
import { words } from "./words";

/** Asks before a page with unsaved edits is left, by a link as well as by closing it. */
export function BeforeLeaving() {
  const unsaved = useAnyUnsaved();
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => unsaved && currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    if (!unsaved) {
      return;
    }
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [unsaved]);
  if (blocker.state !== "blocked") {
    return null;
  }
  return (
    <Dialog open onClose={() => blocker.reset()} aria-labelledby="leaving-title">
      <DialogTitle id="leaving-title">{words.leave}</DialogTitle>
      <DialogContent>{words.leaveWhy}</DialogContent>
      <DialogActions>
        <Button onClick={() => blocker.reset()} variant="contained">
          {words.stay}
        </Button>
        <Button onClick={() => blocker.proceed()}>{words.leaveAnyway}</Button>
      </DialogActions>
    </Dialog>
  );
}
