import Button from "@mui/material/Button";
import { useState } from "react";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Family } from "../shared/api/types";
import { DescribeFamily, type Description } from "../shared/font/DescribeFamily";
import { words } from "./words";

/** Changes what a family is called, who made it and what kind of type it is; its files stay as they came. */
export function Edit({ family }: { family: Family }) {
  const [open, setOpen] = useState(false);
  const edit = useChange({
    of: "family",
    change: (body: Description) =>
      bodyOf(
        api.PUT("/api/families/{id}", {
          params: { path: { id: family.id }, header: editing(family.version) },
          body,
        }),
      ),
    said: (_, { name }) => (name === family.name ? words.changed : words.renamed),
  });
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        {words.edit}
      </Button>
      {open && (
        <DescribeFamily
          title={`${words.edit} ${family.name}`}
          action={words.save}
          leave={words.leave}
          family={family}
          onClose={() => setOpen(false)}
          onSave={(description) => edit.mutateAsync(description)}
        />
      )}
    </>
  );
}
