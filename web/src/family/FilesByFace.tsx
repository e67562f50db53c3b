import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { useMayEdit, usePeople } from "../shared/account/session";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { Family, HeldFile } from "../shared/api/types";
import { Confirm } from "../shared/parts/Confirm";
import { baseName, count, day, formatName, kB, number } from "../shared/parts/format";
import { useRovingFocus } from "../shared/parts/useRovingFocus";
import { faceInWords, removing, words } from "./words";

/** More files than this are folded by their faces. */
const FOLDED_FROM = 7;

/** The files of a family under their faces, with what can be done to each; what was superseded stands behind a switch. */
export function FilesByFace({ family }: { family: Family }) {
  const walk = useRovingFocus<HTMLDivElement>();
  const path = { id: family.id };
  const origins = useGet("/api/families/{id}/origins", { path }).data ?? {};
  const superseded = useGet("/api/families/{id}/superseded", { path }).data ?? [];
  return (
    <div ref={walk}>
      {[...byFace(family.files)].map(([key, files]) => (
        <details
          key={key}
          className="face-files"
          open={family.files.length < FOLDED_FROM || repeats(files)}
          data-row
        >
          <FaceSummary files={files} />
          {files.map((file) => (
            <Row key={file.id} family={family} file={file} origin={origins[file.id]} />
          ))}
        </details>
      ))}
      {superseded.length > 0 && (
        <details className="face-files" data-row>
          <summary>
            <b>{words.superseded}</b>{" "}
            <span className="quiet">
              {count(superseded.length, "file")}: {words.supersededHelp}
            </span>
          </summary>
          {superseded.map((file) => (
            <div key={file.id} className="file-row">
              <FileName file={file} origin={origins[file.id]} />
              <FileNumbers file={file} />
              <span />
            </div>
          ))}
        </details>
      )}
    </div>
  );
}

function FaceSummary({ files }: { files: HeldFile[] }) {
  const { name, called, held } = faceInWords(files);
  return (
    <summary>
      <b>{name}</b> {called && <span className="quiet">called {called}</span>}{" "}
      <span className="quiet">{held}</span>
    </summary>
  );
}

/** Whether one format is held more than once for a face, which somebody has to look at. */
function repeats(files: HeldFile[]): boolean {
  return new Set(files.map((file) => file.format)).size < files.length;
}

function byFace(files: HeldFile[]): Map<string, HeldFile[]> {
  const faces = new Map<string, HeldFile[]>();
  for (const file of files) {
    faces.set(file.slot.key, [...(faces.get(file.slot.key) ?? []), file]);
  }
  return faces;
}

type Origin = { intakeId: string; path: string };

function FileName({ file, origin }: { file: HeldFile; origin: Origin | undefined }) {
  const people = usePeople();
  return (
    <div className="breaks">
      <a href={`/api/files/${file.sha256}`} download>
        {baseName(file.fileName)}
      </a>
      <div className="quiet small">
        {origin ? (
          <>
            {words.from} <Link to={`/intake/${origin.intakeId}`}>{origin.path}</Link>
          </>
        ) : (
          file.madeHere && words.madeHere
        )}
        {`, ${day(file.addedAt)} by ${people(file.addedBy)}`}
      </div>
    </div>
  );
}

function FileNumbers({ file }: { file: HeldFile }) {
  return (
    <div>
      {formatName(file.format)}, {kB(file.bytes)}, {number(file.codePoints)} characters
      <div className="quiet small breaks">
        {file.fontVersion.replace(/^Version /, "version ").slice(0, 24)}{" "}
        <span className="digest">{file.sha256.slice(0, 12)}</span>
      </div>
    </div>
  );
}

function Row(props: { family: Family; file: HeldFile; origin: Origin | undefined }) {
  const { family, file, origin } = props;
  const mayEdit = useMayEdit();
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const path = { id: family.id, file: file.id };
  const remove = useChange({
    of: "family",
    change: async () => {
      const removed = await bodyOf(
        api.DELETE("/api/families/{id}/files/{file}", {
          params: { path, header: editing(family.version) },
        }),
      );
      const named = family.licenses.length > 0 || family.sites.length > 0 || family.asks.length > 0;
      if (family.files.length === 1 && !named) {
        await navigate("/families");
      }
      return removed;
    },
    said: (removed) => ({ text: `Removed ${baseName(file.fileName)}.`, undo: removed.historyId }),
  });
  const convert = useChange({
    of: "family",
    change: () => bodyOf(api.POST("/api/families/{id}/files/{file}/woff2", { params: { path } })),
    said: (made) => `Made ${baseName(made.fileName)}, ${kB(made.bytes)}.`,
  });
  const hasWoff2 = family.files.some((other) => other.format === "woff2" && other.slot.key === file.slot.key);
  const name = baseName(file.fileName);
  return (
    <div className="file-row">
      <FileName file={file} origin={origin} />
      <FileNumbers file={file} />
      <div className="acts">
        {mayEdit && !hasWoff2 && (
          <Button
            size="small"
            aria-label={`${words.makeWoff2} of ${name}`}
            disabled={convert.isPending}
            onClick={() => convert.mutate()}
          >
            {words.makeWoff2}
          </Button>
        )}
        {mayEdit && (
          <Button size="small" aria-label={`Remove ${name}`} onClick={() => setAsking(true)}>
            {words.remove}
          </Button>
        )}
        {asking && (
          <Confirm
            title={`Remove ${name}?`}
            action={words.remove}
            onClose={() => setAsking(false)}
            onConfirm={() => remove.mutateAsync()}
          >
            {removing(family, file)}
          </Confirm>
        )}
      </div>
    </div>
  );
}
