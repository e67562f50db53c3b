import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState, type ReactNode } from "react";

/** Says what will happen before it happens; stays open, and can be pressed once, until it has happened. */
export function Confirm(props: {
  title: string;
  action: string;
  children: ReactNode;
  onConfirm: () => Promise<unknown>;
  onClose: () => void;
}) {
  const [busy, setBusy] = useState(false);
  const confirm = async () => {
    setBusy(true);
    // What failed is told beside the line in which it was asked for.
    await props.onConfirm().catch(() => undefined);
    props.onClose();
  };
  return (
    <Dialog open onClose={busy ? undefined : props.onClose} aria-labelledby="confirm-title">
      <DialogTitle id="confirm-title">{props.title}</DialogTitle>
      <DialogContent>{props.children}</DialogContent>
      <DialogActions>
        <Button onClick={props.onClose} disabled={busy}>
          Cancel
        </Button>
        <Button variant="contained" disabled={busy} onClick={() => void confirm()}>
          {props.action}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
