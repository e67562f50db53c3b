import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, bodyOf } from "../../shared/api/client";
import type { Delivery } from "../../shared/api/types";
import { words } from "./words";

type Props = { siteId: string; urls: Delivery["urls"]; onMatched: (urls: Delivery["urls"]) => void };

/** The addresses that a host gave the files after they were uploaded, pasted and matched to the files by name. */
export function Addresses({ siteId, urls, onMatched }: Props) {
  const [text, setText] = useState("");
  const match = useMutation({
    mutationFn: () =>
      bodyOf(api.POST("/api/sites/{id}/urls", { params: { path: { id: siteId } }, body: { text } })),
    onSuccess: (found) => {
      onMatched({ ...urls, ...found });
      setText("");
    },
  });
  return (
    <div className="delivery-preview">
      <TextField
        label={words.addresses}
        helperText={match.isSuccess ? words.matched : words.addressesHelp}
        multiline
        minRows={3}
        fullWidth
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button size="small" disabled={match.isPending || text.trim() === ""} onClick={() => match.mutate()}>
        {words.match}
      </Button>
      {match.error && (
        <p className="rubric" role="alert">
          {match.error.message}
        </p>
      )}
      <ul className="bare-list digest">
        {Object.entries(urls).map(([name, url]) => (
          <li key={name}>
            {name}: {url}
          </li>
        ))}
      </ul>
    </div>
  );
}
