import Button from "@mui/material/Button";
import { useRef } from "react";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing, filesIn } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { License } from "../shared/api/types";
import { day, kB } from "../shared/parts/format";
import { words } from "./words";

/** The agreement of a license, earlier ones with it; attaching one leaves what is typed in the form as it is. */
export function Agreement({ license }: { license: License }) {
  const mayEdit = useMayEdit();
  const attach = useChange({
    of: "license",
    change: (file: File) =>
      bodyOf(
        api.POST("/api/licenses/{id}/agreement", {
          params: { path: { id: license.id }, header: editing(license.version) },
          body: filesIn("file", [{ file, path: file.name }]),
        }),
      ),
    said: () => words.attached,
  });
  const input = useRef<HTMLInputElement>(null);
  const [agreement, ...earlier] = license.agreement;
  return (
    <>
      <h2 className="section">{words.agreement}</h2>
      <p className="first">
        {agreement ? (
          <>
            <a href={`/api/files/${agreement.sha256}`} download={agreement.fileName}>
              {agreement.fileName}
            </a>
            , {kB(agreement.bytes)}, {day(agreement.addedAt)}
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
              <a href={`/api/files/${old.sha256}`} download={old.fileName}>
                {old.fileName}
              </a>
            </span>
          ))}
        </p>
      )}
      {mayEdit && (
        <Button
          variant="outlined"
          size="small"
          disabled={attach.isPending}
          onClick={() => input.current?.click()}
        >
          {agreement ? words.attachNewer : words.attach}
        </Button>
      )}
      <input
        ref={input}
        hidden
        type="file"
        aria-label={words.agreementFile}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) {
            attach.mutate(file);
          }
          event.target.value = "";
        }}
      />
    </>
  );
}
