import Button from "@mui/material/Button";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { License } from "../shared/api/types";
import { Confirm } from "../shared/parts/Confirm";
import { deleting, words } from "./words";

/** Deletes a license, after saying which sites stand on it. */
export function DeleteLicense({ license: { id, version, terms } }: { license: License }) {
  const navigate = useNavigate();
  const mayEdit = useMayEdit();
  const [asking, setAsking] = useState(false);
  const path = { id };
  const sites = useGet("/api/licenses/{id}/dependents", { path }, { enabled: asking }).data;
  const remove = useChange({
    of: "license",
    change: async () => {
      const gone = await bodyOf(
        api.DELETE("/api/licenses/{id}", { params: { path, header: editing(version) } }),
      );
      await navigate("/licenses");
      return gone;
    },
    said: (gone) => ({ text: `Deleted “${terms.name}”.`, undo: gone.historyId }),
  });
  return mayEdit ? (
    <>
      <Button variant="outlined" onClick={() => setAsking(true)}>
        {words.remove}
      </Button>
      {asking && sites && (
        <Confirm
          title={`Delete “${terms.name}”?`}
          action={words.delete}
          onClose={() => setAsking(false)}
          onConfirm={() => remove.mutateAsync()}
        >
          {deleting(sites.length)}
        </Confirm>
      )}
    </>
  ) : null;
}
