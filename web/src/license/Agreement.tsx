import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing, filesIn } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { License } from "../shared/api/types";
import { ChooseFile } from "../shared/parts/ChooseFile";
import { day, kB } from "../shared/parts/format";
import { words } from "./words";

/** Attaches a document to the version of a license that was read. */
export function attach({ id, version }: License, file: File) {
  return api.POST("/api/licenses/{id}/agreement", {
    params: { path: { id }, header: editing(version) },
    body: filesIn("file", [{ file, path: file.name }]),
  });
}

/** An attached document, to be downloaded under its own name. */
export function Download({ file: { sha256, fileName } }: { file: License["agreement"][number] }) {
  return (
    <a href={`/api/files/${sha256}`} download={fileName}>
      {fileName}
    </a>
  );
}

/** The agreement of a license, earlier ones with it; attaching one leaves what is typed in the form as it is. */
export function Agreement({ license }: { license: License }) {
  const mayEdit = useMayEdit();
  const attaching = useChange({
    of: "license",
    change: (file: File) => bodyOf(attach(license, file)),
    said: () => words.attached,
  });
  const [agreement, ...earlier] = license.agreement;
  return (
    <>
      <h2 className="section">{words.agreement}</h2>
      <p className="first">
        {agreement ? (
          <>
            <Download file={agreement} />, {kB(agreement.bytes)}, {day(agreement.addedAt)}
          </>
        ) : (
          <span className="quiet">{words.noAgreement}</span>
        )}
      </p>
      {earlier.length > 0 && (
        <p className="quiet">
          Earlier:{" "}
          {earlier.map((old, i) => (
            <span key={old.id}>
              {i > 0 && ", "}
              <Download file={old} />
            </span>
          ))}
        </p>
      )}
      {mayEdit && (
        <ChooseFile
          outlined
          label={words.agreementFile}
          disabled={attaching.isPending}
          onFile={(file) => attaching.mutate(file)}
        >
          {agreement ? words.attachNewer : words.attach}
        </ChooseFile>
      )}
    </>
  );
}
