import TextField from "@mui/material/TextField";
import { useState } from "react";
import { api, bodyOf, editing } from "../../shared/api/client";
import { useChange } from "../../shared/api/queries";
import type { Explained, Extensible } from "../../shared/api/types";
import { Preview } from "../../shared/flag/Preview";
import { Choice } from "../../shared/parts/Choice";
import { closing, FormDialog } from "../../shared/parts/FormDialog";
import { isoDay } from "../../shared/parts/format";
import { extended, extensionInWords, isComplete, recordInWords } from "./attaching";
import { words } from "./words";

/**
 * Extends a license so that it allows a family on a site. A click alone permits nothing: it is recorded who at the
 * vendor agreed, when, and what shows it.
 */
export function AttachDialog({ crossing, onClose }: { crossing: Explained; onClose: () => void }) {
  const [chosen, setChosen] = useState(crossing.extensible[0]);
  const [agreed, setAgreed] = useState({ by: "", on: isoDay(new Date()), proof: "" });
  const termsAfter = async (license: Extensible) => {
    const path = { id: license.licenseId };
    const held = await bodyOf(api.GET("/api/licenses/{id}", { params: { path } }));
    return { held, body: extended(held.terms, license, crossing, agreed) };
  };
  const attach = useChange({
    of: "license",
    change: async (license: Extensible) => {
      const { held, body } = await termsAfter(license);
      const path = { id: license.licenseId };
      return bodyOf(api.PUT("/api/licenses/{id}", { params: { path, header: editing(held.version) }, body }));
    },
    said: (license) => `Extended “${license.terms.name}”.`,
  });
  if (!chosen) {
    return null;
  }
  const what = extensionInWords(chosen, crossing.familyName);
  return (
    <FormDialog
      title={words.attachTitle}
      action={words.attachIt}
      leave={words.leave}
      disabled={!isComplete(agreed) || attach.isPending}
      onClose={onClose}
      onSubmit={() => closing(attach.mutateAsync(chosen), onClose)}
    >
      <Choice
        label={words.license}
        value={chosen.licenseId}
        options={crossing.extensible.map((one) => [one.licenseId, one.licenseName] as const)}
        onChange={(id) => setChosen(crossing.extensible.find((one) => one.licenseId === id))}
      />
      <p>{recordInWords(chosen.licenseName, what, agreed)}</p>
      <TextField
        autoFocus
        label={words.agreedBy}
        value={agreed.by}
        onChange={(event) => setAgreed({ ...agreed, by: event.target.value })}
      />
      <TextField
        type="date"
        label={words.agreedOn}
        value={agreed.on}
        onChange={(event) => setAgreed({ ...agreed, on: event.target.value })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <TextField
        label={words.agreedProof}
        helperText={words.agreedProofHelp}
        value={agreed.proof}
        onChange={(event) => setAgreed({ ...agreed, proof: event.target.value })}
      />
      <div>
        <Preview
          key={chosen.licenseId}
          ask={async () => {
            const { body } = await termsAfter(chosen);
            const path = { id: chosen.licenseId };
            return bodyOf(api.POST("/api/licenses/{id}/preview", { params: { path }, body }));
          }}
        />
      </div>
    </FormDialog>
  );
}
