import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useQueryClient } from "@tanstack/react-query";
import { SignInForm } from "../account/SignInForm";
import { connection, useConnection } from "../shared/api/connection";
import type { Who } from "../shared/api/types";
import { words } from "./words";

/** Signs in again over the page, which stays with everything that was typed. */
export function SessionEnded({ who }: { who: Who }) {
  const { ended } = useConnection();
  const client = useQueryClient();
  const again = async () => {
    connection.sessionBegun();
    await client.invalidateQueries();
  };
  return (
    <Dialog open={ended} aria-labelledby="ended-title" fullWidth maxWidth="xs">
      <DialogTitle id="ended-title">{words.ended}</DialogTitle>
      <DialogContent>
        <p className="first">{words.endedWhy}</p>
        <SignInForm name={who.name} onSignedIn={again} />
      </DialogContent>
    </Dialog>
  );
}
