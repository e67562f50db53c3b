import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useId, type ReactNode } from "react";

/** Asks for something in a dialog: its fields, and a way out. */
export function FormDialog(props: {
  title: string;
  action: string;
  leave: string;
  /** Whether it is not complete yet, or on its way. */
  disabled: boolean;
  onSubmit: () => Promise<unknown>;
  onClose: () => void;
  children: ReactNode;
}) {
  const title = useId();
  return (
    <Dialog open onClose={props.onClose} fullWidth maxWidth="xs" aria-labelledby={title}>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void props.onSubmit();
        }}
      >
        <DialogTitle id={title}>{props.title}</DialogTitle>
        <DialogContent className="dialog-fields">{props.children}</DialogContent>
        <DialogActions>
          <Button onClick={props.onClose}>{props.leave}</Button>
          <Button type="submit" variant="contained" disabled={props.disabled}>
            {props.action}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** Closes a dialog once its work is done; after a failure, which is told elsewhere, it stays with what was typed. */
export function closing(work: Promise<unknown>, close: () => void): Promise<void> {
  return work.then(close, () => undefined);
}
