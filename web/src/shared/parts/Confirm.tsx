import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import type { ReactNode } from "react";

/** Says what will happen before it happens. */
export function Confirm(props: {
  title: string;
  action: string;
  children: ReactNode;
  onConfirm: () => void;
  onClose: () => void;
}) {
  return (
    <Dialog open onClose={props.onClose} aria-labelledby="confirm-title">
      <DialogTitle id="confirm-title">{props.title}</DialogTitle>
      <DialogContent>{props.children}</DialogContent>
      <DialogActions>
        <Button onClick={props.onClose}>Keep it</Button>
        <Button
          variant="contained"
          onClick={() => {
            props.onConfirm();
            props.onClose();
          }}
        >
          {props.action}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
