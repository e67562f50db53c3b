import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import { Link, useLocation, useNavigate, useParams } from "react-router";
import { useMayEdit } from "../account/session";
import { FlagNotes } from "../flag/FlagNote";
import { useFlagsOf } from "../flag/flags";
import { RecordHistory } from "../history/RecordHistory";
import { call } from "../shared/api/client";
import { useChange, useOne } from "../shared/api/queries";
import type { Family, Flag, HeldFile, Undoable } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { baseName, count, day, formatLabels, kB } from "../shared/parts/format";
import { NotHere } from "../shared/parts/NotHere";
import { SlotGrid } from "./SlotGrid";
import { shownFile, type Cell } from "./slots";
import { Specimen } from "./Specimen";
import { useNameStyle } from "./storedFont";

const ofFiles: Flag["kind"][] = ["SAME_BYTES", "SAME_DRAWING", "SLOT_CLASH", "WEB_FORMAT_NOT_HELD"];

export function FamilyPage() {
  const { id = "" } = useParams();
  return <OneFamily key={id} id={id} />;
}

function OneFamily({ id }: { id: string }) {
  const family = useOne<Family>(`/api/families/${id}`);
  const flags = useFlagsOf("family", [id]);
  const { hash } = useLocation();
  const [chosen, setChosen] = useState("");
  const regular = family.data?.files.find((file) => file.slot.label === "Regular") ?? family.data?.files[0];
  const nameStyle = useNameStyle(regular);
  const ready = family.data !== undefined;
  useEffect(() => {
    if (ready && hash) {
      document.querySelector(hash)?.scrollIntoView();
    }
  }, [ready, hash]);
  if (!family.data) {
    return <NotHere error={family.error} all="/families" allWords="All families" />;
  }
  const { files, name, asks, licenses, sites } = family.data;
  const shown = shownFile(files.filter((file) => file.slot.key === (chosen || regular?.slot.key)));
  const pick = (cell: Cell) => cell.files.length > 0 && setChosen(cell.slot.key);
  return (
    <Leaf
      title={name}
      titleStyle={{ ...nameStyle, fontSize: 48, fontWeight: 400, letterSpacing: 0 }}
      above={<Link to="/families">Families</Link>}
      below={`${count(new Set(files.map((file) => file.slot.key)).size, "face")} in ${count(files.length, "file")}, ${kB(files.reduce((sum, file) => sum + file.bytes, 0))} in all.`}
      notes={<FlagNotes flags={flags.filter((flag) => flag.siteId === "" && !ofFiles.includes(flag.kind))} />}
    >
      <Line
        notes={
          <FlagNotes
            flags={flags.filter((flag) => flag.kind === "FACE_NOT_HELD" || flag.kind === "SLOT_CLASH")}
          />
        }
      >
        <h2 className="section">
          Faces <small>set in the stored files; choose one for the specimen</small>
        </h2>
        <SlotGrid
          files={files}
          asks={asks}
          unlicensed={flags.some((flag) => flag.kind === "NO_LICENSE")}
          picked={(slot) => slot.key === (chosen || regular?.slot.key)}
          onPick={pick}
        />
      </Line>
      {shown && (
        <Line>
          <Specimen file={shown} />
        </Line>
      )}
      <Line
        id="files"
        notes={
          <FlagNotes
            flags={flags.filter((flag) => ofFiles.includes(flag.kind) && flag.kind !== "SLOT_CLASH")}
          />
        }
      >
        <h2 className="section">Files</h2>
        {files.length === 0 ? (
          <p className="empty">
            No file is held. The family stays because a site, a license or a pack names it.
          </p>
        ) : (
          <FileTable family={family.data} />
        )}
      </Line>
      <Line
        notes={
          <FlagNotes
            flags={flags.filter(
              (flag) => flag.siteId !== "" && flag.kind !== "FACE_NOT_HELD" && !ofFiles.includes(flag.kind),
            )}
          />
        }
      >
        <h2 className="section">Licenses and sites</h2>
        {licenses.length === 0 && <p className="quiet">No license covers this family.</p>}
        <ul style={{ paddingLeft: 18, margin: 0 }}>
          {licenses.map((license) => (
            <li key={license.id}>
              <Link to={`/licenses/${license.id}`}>{license.name}</Link>
              {license.ends && <span className="quiet">, until {day(license.ends)}</span>}
            </li>
          ))}
          {sites.map((site) => (
            <li key={site.id}>
              used by <Link to={`/sites/${site.id}`}>{site.name}</Link>
            </li>
          ))}
        </ul>
      </Line>
      <Line>
        <RecordHistory type="family" id={id} />
      </Line>
    </Leaf>
  );
}

function FileTable({ family }: { family: Family }) {
  const { id: familyId, files, asks } = family;
  const sites = asks.flatMap((ask) => ask.by);
  const mayEdit = useMayEdit();
  const navigate = useNavigate();
  const [removing, setRemoving] = useState<HeldFile | null>(null);
  const remove = useChange(
    async (file: HeldFile) => {
      const removed = await call<Undoable>(
        "DELETE",
        `/api/families/${familyId}/files/${file.id}`,
        undefined,
        {
          version: family.version,
        },
      );
      if (files.length === 1 && family.licenses.length === 0 && sites.length === 0) {
        await navigate("/families");
      }
      return removed;
    },
    (removed, file) => ({ text: `Removed ${baseName(file.fileName)}.`, undo: removed.historyId }),
  );
  const convert = useChange(
    (file: HeldFile) => call<HeldFile>("POST", `/api/families/${familyId}/files/${file.id}/woff2`),
    (made) => `Made ${baseName(made.fileName)}, ${kB(made.bytes)}.`,
  );
  const hasWoff2 = (file: HeldFile) =>
    files.some((other) => other.format === "woff2" && other.slot.key === file.slot.key);
  return (
    <>
      <table className="sheet">
        <thead>
          <tr>
            <th>Face</th>
            <th>File</th>
            <th>Format</th>
            <th className="number">Size</th>
            <th className="number">Characters</th>
            <th>Version</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {files.map((file) => (
            <tr key={file.id}>
              <td>{file.slot.label}</td>
              <td>
                <a href={`/api/files/${file.sha256}`} download>
                  {baseName(file.fileName)}
                </a>
                <div className="quiet digest">
                  {file.sha256.slice(0, 12)}
                  {file.madeHere && " · made here"}
                </div>
              </td>
              <td>{formatLabels[file.format]}</td>
              <td className="number">{kB(file.bytes)}</td>
              <td className="number">{file.codePoints}</td>
              <td>{file.fontVersion.replace(/^Version /, "").slice(0, 24)}</td>
              <td style={{ whiteSpace: "nowrap", textAlign: "right", paddingRight: 0 }}>
                {mayEdit && !hasWoff2(file) && (
                  <Button size="small" disabled={convert.isPending} onClick={() => convert.mutate(file)}>
                    Make WOFF2
                  </Button>
                )}
                {mayEdit && (
                  <Button
                    size="small"
                    aria-label={`Remove ${baseName(file.fileName)}`}
                    onClick={() => setRemoving(file)}
                  >
                    Remove
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {removing && (
        <Confirm
          title={`Remove ${baseName(removing.fileName)}?`}
          action="Remove"
          onClose={() => setRemoving(null)}
          onConfirm={() => remove.mutate(removing)}
        >
          {files.filter((file) => file.slot.key === removing.slot.key).length > 1
            ? `${removing.slot.label} stays held in another file.`
            : sites.length > 0
              ? "It is the only file for this face. If a site asks for it, it will not be removed."
              : "It is the only file for this face, and no site asks for it."}
        </Confirm>
      )}
    </>
  );
}
