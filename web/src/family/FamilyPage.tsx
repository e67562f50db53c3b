import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { FlagNotes } from "../flag/FlagNote";
import { useFlagsWhere } from "../flag/flags";
import { call } from "../shared/api/client";
import { useChange, useList, useOne } from "../shared/api/queries";
import type { Family, Flag, HeldFile, License, Site } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { baseName, count, day, formatLabels, kB } from "../shared/parts/format";
import { asksOf } from "./asks";
import { SlotGrid } from "./SlotGrid";
import { shownFile, type Cell } from "./slots";
import { Specimen } from "./Specimen";
import { useNameStyle } from "./storedFont";

const ofFiles: Flag["kind"][] = ["SAME_BYTES", "SAME_DRAWING", "SLOT_CLASH", "WEB_FORMAT_NOT_HELD"];

export function FamilyPage() {
  const { id = "" } = useParams();
  const family = useOne<Family>(`/api/families/${id}`);
  const sites = useList<Site>("/api/sites").data ?? [];
  const licenses = useList<License>("/api/licenses").data ?? [];
  const flags = useFlagsWhere((flag) => flag.familyId === id);
  const [chosen, setChosen] = useState("");
  const regular = family.data?.files.find((file) => file.slot.label === "Regular") ?? family.data?.files[0];
  const nameStyle = useNameStyle(regular);
  if (!family.data) {
    return <Missing error={family.error} />;
  }
  const { files, name } = family.data;
  const asks = asksOf(sites, id);
  const covering = licenses.filter((license) =>
    license.terms.covers.some((covered) => covered.familyId === id),
  );
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
        <FileTable familyId={id} files={files} sites={asks.flatMap((ask) => ask.by)} />
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
        {covering.length === 0 && <p className="quiet">No license covers this family.</p>}
        <ul style={{ paddingLeft: 18, margin: 0 }}>
          {covering.map((license) => (
            <li key={license.id}>
              <Link to={`/licenses/${license.id}`}>{license.terms.name}</Link>
              {license.terms.ends && <span className="quiet">, until {day(license.terms.ends)}</span>}
            </li>
          ))}
          {sites
            .filter((site) => site.roles.some((role) => role.familyId === id))
            .map((site) => (
              <li key={site.id}>
                used by <Link to={`/sites/${site.id}`}>{site.name}</Link>
              </li>
            ))}
        </ul>
      </Line>
    </Leaf>
  );
}

function Missing({ error }: { error: Error | null }) {
  return error ? (
    <Leaf title="Not here" below={error.message}>
      <Line>
        <Link to="/families">All families</Link>
      </Line>
    </Leaf>
  ) : null;
}

function FileTable({ familyId, files, sites }: { familyId: string; files: HeldFile[]; sites: string[] }) {
  const navigate = useNavigate();
  const [removing, setRemoving] = useState<HeldFile | null>(null);
  const remove = useChange(
    async (file: HeldFile) => {
      await call("DELETE", `/api/families/${familyId}/files/${file.id}`);
      if (files.length === 1) {
        await navigate("/families");
      }
    },
    (_, file) => `Removed ${baseName(file.fileName)}.`,
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
                {!hasWoff2(file) && (
                  <Button size="small" disabled={convert.isPending} onClick={() => convert.mutate(file)}>
                    Make WOFF2
                  </Button>
                )}
                <Button
                  size="small"
                  aria-label={`Remove ${baseName(file.fileName)}`}
                  onClick={() => setRemoving(file)}
                >
                  Remove
                </Button>
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
