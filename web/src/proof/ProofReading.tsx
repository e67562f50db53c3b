import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, bodyOf } from "../shared/api/client";
import type { Proof } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { ChooseFile } from "../shared/parts/ChooseFile";
import { Copy } from "../shared/parts/Copy";
import { Sheet } from "./Sheet";
import { kinds } from "./sheet";
import { kindOf, standing, words } from "./words";

type Read = { css: string; proof: Proof };

/** A style sheet is pasted, read, and corrected finding by finding or at once. */
export function ProofReading({ siteId, domain }: { siteId?: string; domain?: string }) {
  const [typed, setTyped] = useState("");
  const [url, setUrl] = useState(domain ? `https://${domain}/` : "");
  const [read, setRead] = useState<Read | null>(null);
  const reading = useMutation({
    mutationFn: async (css: string): Promise<Read> => {
      const body = { css, url: url.trim() || null };
      const proof = siteId
        ? await bodyOf(api.POST("/api/sites/{id}/proof", { params: { path: { id: siteId } }, body }))
        : await bodyOf(api.POST("/api/proof", { body }));
      return { css, proof };
    },
    onSuccess: setRead,
  });
  const take = (file: File) => {
    void file.text().then((css) => {
      setTyped(css);
      reading.mutate(css);
    });
  };
  if (read) {
    return (
      <>
        <Line>
          <p className="first sentence" role="status">
            {standing(read.proof.findings)}
          </p>
          <p className="quiet small">
            {kinds(read.proof.findings)
              .map(([kind, count]) => (count > 1 ? `${kindOf({ kind })} ×${count}` : kindOf({ kind })))
              .join(" · ")}
          </p>
          <div className="in-a-row">
            {read.proof.fixed !== read.css && (
              <Button
                variant="contained"
                disabled={reading.isPending}
                onClick={() => reading.mutate(read.proof.fixed)}
              >
                {words.all}
              </Button>
            )}
            <Copy text={read.css} label={words.copy} />
            <Button
              size="small"
              onClick={() => {
                setTyped(read.css);
                setRead(null);
              }}
            >
              {words.edit}
            </Button>
          </div>
          {reading.error && (
            <p className="rubric" role="alert">
              {reading.error.message}
            </p>
          )}
        </Line>
        <Sheet
          css={read.css}
          findings={read.proof.findings}
          disabled={reading.isPending}
          onCorrect={(css) => reading.mutate(css)}
        />
      </>
    );
  }
  return (
    <Line>
      <form
        className="proof-form"
        onSubmit={(event) => {
          event.preventDefault();
          reading.mutate(typed);
        }}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault();
          event.stopPropagation();
          const [file] = event.dataTransfer.files;
          if (file) {
            take(file);
          }
        }}
      >
        <TextField
          label={words.paste}
          placeholder={words.hint}
          multiline
          minRows={12}
          maxRows={24}
          fullWidth
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          slotProps={{ htmlInput: { className: "code", spellCheck: false } }}
        />
        <div className="in-a-row">
          <TextField
            label={words.address}
            placeholder={words.addressHint}
            value={url}
            onChange={(event) => setUrl(event.target.value)}
            className="proof-address"
          />
          <Button type="submit" variant="contained" disabled={reading.isPending || typed.trim() === ""}>
            {reading.isPending ? words.reading : words.read}
          </Button>
          <ChooseFile label={words.chooseLabel} accept=".css,text/css" onFile={take}>
            {words.choose}
          </ChooseFile>
        </div>
        {reading.error && (
          <p className="rubric" role="alert">
            {reading.error.message}
          </p>
        )}
      </form>
    </Line>
  );
}
