import Button from "@mui/material/Button";
import { useState } from "react";
import { useMayEdit, usePeople } from "../shared/account/session";
import { api, bodyOf, editing, filesIn } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { License, LicenseDocument } from "../shared/api/types";
import { Choice } from "../shared/parts/Choice";
import { ChooseFile } from "../shared/parts/ChooseFile";
import { day, kB } from "../shared/parts/format";
import { kindWords, words } from "./words";

type Kind = LicenseDocument["kind"];

const kinds = Object.entries(kindWords) as [Kind, string][];

/** Attaches a document to the version of a license that was read. */
export function attach({ id, version }: License, file: File, kind: Kind = "AGREEMENT") {
  return api.POST("/api/licenses/{id}/agreement", {
    params: { path: { id }, header: editing(version), query: { kind } },
    body: filesIn("file", [{ file, path: file.name }]),
  });
}

/** An attached document, to be downloaded under its own name. */
export function Download({ file: { sha256, fileName } }: { file: LicenseDocument }) {
  return (
    <a href={`/api/files/${sha256}`} download={fileName}>
      {fileName}
    </a>
  );
}

/** The documents of a license, the latest first, each shown in place; attaching one leaves what is typed as it is. */
export function Documents({ license }: { license: License }) {
  const mayEdit = useMayEdit();
  const [kind, setKind] = useState<Kind>("AGREEMENT");
  const attaching = useChange({
    of: "license",
    change: (file: File) => bodyOf(attach(license, file, kind)),
    said: () => words.attached,
  });
  return (
    <>
      <h2 className="section">{words.proofs}</h2>
      {license.agreement.length === 0 && <p className="quiet first">{words.noDocument}</p>}
      <ul className="bare-list documents">
        {license.agreement.map((document) => (
          <li key={document.id}>
            <Attached license={license.id} document={document} />
          </li>
        ))}
      </ul>
      {mayEdit && (
        <div className="in-a-row">
          <Choice hideLabel label={words.attachAs} value={kind} options={kinds} onChange={setKind} />
          <ChooseFile
            outlined
            label={words.documentFile}
            disabled={attaching.isPending}
            onFile={(file) => attaching.mutate(file)}
          >
            {words.attach}
          </ChooseFile>
        </div>
      )}
    </>
  );
}

function Attached({ license, document }: { license: string; document: LicenseDocument }) {
  const [open, setOpen] = useState(false);
  const people = usePeople();
  const { kind, fileName, bytes, addedAt, addedBy } = document;
  return (
    <>
      <b>{kindWords[kind]}</b> <Download file={document} />{" "}
      <span className="quiet small">
        {[kB(bytes), day(addedAt), people(addedBy)].filter(Boolean).join(", ")}
      </span>{" "}
      <Button
        size="small"
        aria-expanded={open}
        aria-label={`${open ? words.hide : words.show} ${fileName}`}
        onClick={() => setOpen(!open)}
      >
        {open ? words.hide : words.show}
      </Button>
      {open && <Shown license={license} document={document} />}
    </>
  );
}

/** A document in place: pictures of its pages, which the server draws, or its text. */
function Shown({ license, document }: { license: string; document: LicenseDocument }) {
  const path = { id: license, documentId: document.id };
  const { data: shown, error } = useGet("/api/licenses/{id}/documents/{documentId}", { path });
  if (error) {
    return <p className="rubric">{error.message}</p>;
  }
  return (
    // A text that scrolls is reached by Tab, so that the arrow keys move it.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <div className="document-shown" tabIndex={0} role="region" aria-label={document.fileName}>
      {shown?.text && <pre>{shown.text}</pre>}
      {Array.from({ length: shown?.pages ?? 0 }, (_, i) => (
        <img
          key={i}
          loading="lazy"
          src={`/api/licenses/${license}/documents/${document.id}/pages/${i + 1}`}
          alt={`${words.page} ${i + 1}`}
        />
      ))}
    </div>
  );
}
