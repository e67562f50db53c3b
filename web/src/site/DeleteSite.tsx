import Button from "@mui/material/Button";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Site } from "../shared/api/types";
import { Confirm } from "../shared/parts/Confirm";
import { deleting, words } from "./words";

/** Deletes a site, after saying what goes with it. */
export function DeleteSite({ site }: { site: Site }) {
  const navigate = useNavigate();
  const mayEdit = useMayEdit();
  const [asking, setAsking] = useState(false);
  const remove = useChange({
    of: "site",
    change: async () => {
      const gone = await bodyOf(
        api.DELETE("/api/sites/{id}", { params: { path: { id: site.id }, header: editing(site.version) } }),
      );
      await navigate("/sites");
      return gone;
    },
    said: (gone) => ({ text: `Deleted ${site.name}.`, undo: gone.historyId }),
  });
  return mayEdit ? (
    <>
      <Button variant="outlined" onClick={() => setAsking(true)}>
        {words.remove}
      </Button>
      {asking && (
        <Confirm
          title={`Delete ${site.name}?`}
          action={words.delete}
          onClose={() => setAsking(false)}
          onConfirm={() => remove.mutateAsync()}
        >
          {deleting(site.roles.length)}
        </Confirm>
      )}
    </>
  ) : null;
}
