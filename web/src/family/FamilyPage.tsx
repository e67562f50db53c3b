import { Link, useParams, useSearchParams } from "react-router";
import { useGet } from "../shared/api/queries";
import type { Family, Flag } from "../shared/api/types";
import { useMayEdit } from "../shared/account/session";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagsOf } from "../shared/flag/flags";
import { SlotGrid } from "../shared/font/SlotGrid";
import { shownFile } from "../shared/font/slots";
import { useNameStyle } from "../shared/font/storedFont";
import { RecordHistory } from "../shared/history/RecordHistory";
import { Leaf, Line } from "../shared/layout/Leaf";
import { day } from "../shared/parts/format";
import { useGoToHash } from "../shared/parts/useGoToHash";
import { NotHere } from "../shared/states/NotHere";
import { FilesByFace } from "./FilesByFace";
import { Edit } from "./Edit";
import { Specimen } from "./Specimen";
import { summary, words } from "./words";

const ofFiles: Flag["kind"][] = ["SAME_BYTES", "SAME_DRAWING", "WEB_FORMAT_NOT_HELD", "STORED_FILE_DAMAGED"];
const ofFaces: Flag["kind"][] = ["FACE_NOT_HELD", "SLOT_CLASH"];

export function FamilyPage() {
  const { id = "" } = useParams();
  const family = useGet("/api/families/{id}", { path: { id } });
  useGoToHash(family.data !== undefined);
  return family.data ? (
    <OneFamily key={id} family={family.data} />
  ) : (
    <NotHere error={family.error} again={() => void family.refetch()} all="/families" allWords={words.all} />
  );
}

function OneFamily({ family }: { family: Family }) {
  const { id, files, name, asks } = family;
  const flags = useFlagsOf("family", id);
  const mayEdit = useMayEdit();
  const [params, setParams] = useSearchParams();
  const chosen = params.get("face") ?? "";
  const setChosen = (face: string) => setParams({ face }, { replace: true, preventScrollReset: true });
  const regular = files.find((file) => file.slot.label === "Regular") ?? files[0];
  const nameStyle = useNameStyle(regular, name);
  const held = chosen && files.some((file) => file.slot.key === chosen) ? chosen : regular?.slot.key;
  const shown = shownFile(files.filter((file) => file.slot.key === held));
  const notes = (fits: (flag: Flag) => boolean) => <FlagNotes flags={flags.filter(fits)} />;
  const elsewhere = (flag: Flag) => !ofFiles.includes(flag.kind) && !ofFaces.includes(flag.kind);
  return (
    <Leaf
      title={name}
      titleFont={nameStyle}
      above={<Link to="/families">{words.title}</Link>}
      below={summary(family)}
      actions={mayEdit && <Edit family={family} />}
      notes={notes((flag) => flag.siteId === "" && elsewhere(flag))}
    >
      <Line notes={notes((flag) => ofFaces.includes(flag.kind))}>
        <h2 className="section">
          {words.faces} <small>{words.facesHelp}</small>
        </h2>
        <SlotGrid
          files={files}
          asks={asks}
          unlicensed={flags.some((flag) => flag.kind === "NO_LICENSE")}
          picked={(slot) => slot.key === held}
          onPick={(cell) => cell.files.length > 0 && setChosen(cell.slot.key)}
        />
      </Line>
      {shown && (
        <Line>
          <Specimen file={shown} />
        </Line>
      )}
      <Line id="files" notes={notes((flag) => ofFiles.includes(flag.kind))}>
        <h2 className="section">{words.files}</h2>
        {files.length === 0 ? <p className="empty">{words.noFile}</p> : <FilesByFace family={family} />}
      </Line>
      <Line notes={notes((flag) => flag.siteId !== "" && elsewhere(flag))}>
        <h2 className="section">{words.licensesAndSites}</h2>
        <LicensesAndSites family={family} />
      </Line>
      <Line>
        <RecordHistory type="family" id={id} />
      </Line>
    </Leaf>
  );
}

function LicensesAndSites({ family: { licenses, sites } }: { family: Family }) {
  return (
    <>
      {licenses.length === 0 && <p className="quiet">{words.noLicense}</p>}
      <ul className="plain-list">
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
    </>
  );
}
