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
import { PlaceDialog } from "../shared/font/PlaceDialog";
import { useMove } from "./useMove";
import { faceInWords, heldAgain, removing, words } from "./words";

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
          <FaceActs family={family} files={files} />
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
            <SupersededRow key={file.id} family={family} file={file} origin={origins[file.id]} />
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

/** Moves the files of a face to where they belong. */
function FaceActs({ family, files }: { family: Family; files: HeldFile[] }) {
  const mayEdit = useMayEdit();
  const [moving, setMoving] = useState(false);
  const move = useMove(family);
  const [first] = files;
  if (!mayEdit || !first) {
    return null;
  }
  return (
    <div className="acts face-acts">
      <Button size="small" aria-label={`${words.move} ${first.slot.label}`} onClick={() => setMoving(true)}>
        {words.move}
      </Button>
      {moving && (
        <PlaceDialog
          title={`${words.move} ${family.name} ${first.slot.label}`}
          action={words.move}
          leave={words.leave}
          family={family.name}
          slot={first.slot}
          help={words.moveHelp}
          onClose={() => setMoving(false)}
          onSave={(place) =>
            move.mutateAsync({
              files: files.map((file) => file.id),
              slot: place.slot,
              ...(place.family === family.name ? {} : { family: place.family }),
            })
          }
        />
      )}
    </div>
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

function Compare({ family, file }: { family: Family; file: HeldFile }) {
  return (
    <Button
      size="small"
      component={Link}
      to={`/families/${family.id}/compare?one=${file.id}`}
      aria-label={`${words.compare} ${baseName(file.fileName)}`}
    >
      {words.compare}
    </Button>
  );
}

type RowProps = { family: Family; file: HeldFile; origin: Origin | undefined };

/** A file that another took the place of, which can take its place back. */
function SupersededRow({ family, file, origin }: RowProps) {
  const mayEdit = useMayEdit();
  const name = baseName(file.fileName);
  const hold = useChange({
    of: "family",
    change: () =>
      bodyOf(
        api.POST("/api/families/{id}/superseded/{file}/held", {
          params: { path: { id: family.id, file: file.id }, header: editing(family.version) },
        }),
      ),
    said: (held) => ({ text: heldAgain(name, file.slot.label), undo: held.historyId }),
  });
  return (
    <div className="file-row">
      <FileName file={file} origin={origin} />
      <FileNumbers file={file} />
      <div className="acts">
        <Compare family={family} file={file} />
        {mayEdit && (
          <Button
            size="small"
            disabled={hold.isPending}
            aria-label={`${words.holdAgain}: ${name}`}
            onClick={() => hold.mutate()}
          >
            {words.holdAgain}
          </Button>
        )}
      </div>
    </div>
  );
}

function Row({ family, file, origin }: RowProps) {
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
  const name = baseName(file.fileName);
  return (
    <div className="file-row">
      <FileName file={file} origin={origin} />
      <FileNumbers file={file} />
      <div className="acts">
        {family.files.length > 1 && <Compare family={family} file={file} />}
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
