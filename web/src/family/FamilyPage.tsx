import type { ReactNode } from "react";
import { Link, useLocation, useParams, useSearchParams } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { ProblemError } from "../shared/api/client";
import { useGet } from "../shared/api/queries";
import type { Family, Flag, HeldFile } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagsOf } from "../shared/flag/flags";
import { SlotGrid } from "../shared/font/SlotGrid";
import { regularOf, shownFile } from "../shared/font/slots";
import { useNameStyle } from "../shared/font/storedFont";
import { RecordHistory } from "../shared/history/RecordHistory";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Leaves } from "../shared/layout/Leaves";
import { NotHere } from "../shared/states/NotHere";
import { Edit } from "./Edit";
import { Facts } from "./Facts";
import { FilesByFace } from "./FilesByFace";
import { leafNames, leafOf, isLeaf, standing, type LeafOfFamily } from "./leaves";
import { MakeFormats } from "./MakeFormats";
import { Merge } from "./Merge";
import { Specimen } from "./Specimen";
import { Split } from "./Split";
import { Use } from "./Use";
import { summary, words } from "./words";

export function FamilyPage() {
  const { id = "", leaf = "faces" } = useParams();
  const family = useGet("/api/families/{id}", { path: { id } });
  const noLeaf = isLeaf(leaf) ? null : new ProblemError(404, words.noLeaf);
  return family.data && isLeaf(leaf) ? (
    <OneFamily key={id} family={family.data} leaf={leaf} />
  ) : (
    <NotHere
      error={noLeaf ?? family.error}
      again={() => void family.refetch()}
      all="/families"
      allWords={words.all}
    />
  );
}

function OneFamily({ family, leaf }: { family: Family; leaf: LeafOfFamily }) {
  const { id, files, name } = family;
  const flags = useFlagsOf("family", id);
  const mayEdit = useMayEdit();
  const { search } = useLocation();
  const nameStyle = useNameStyle(regularOf(files), name);
  const here = (flag: Flag) => leafOf(flag) === leaf;
  const elsewhere = leaf === "faces" ? flags.filter((flag) => !here(flag)) : [];
  return (
    <Leaf
      title={name}
      titleFont={nameStyle}
      above={<Link to="/families">{words.title}</Link>}
      below={summary(family)}
      actions={
        mayEdit && (
          <>
            <Edit family={family} />
            <Split family={family} />
            <Merge family={family} />
          </>
        )
      }
      leaves={
        <Leaves
          label={words.leaves}
          leaves={Object.entries(leafNames).map(([key, leafName]) => ({
            to: `/families/${id}${key === "faces" ? "" : `/${key}`}${search}`,
            name: leafName,
            flags: flags.filter((flag) => leafOf(flag) === key).length,
          }))}
        />
      }
    >
      <Content
        family={family}
        leaf={leaf}
        flags={flags}
        notes={
          <>
            <FlagNotes flags={flags.filter(here)} />
            <FlagNotes flags={elsewhere} most={4} />
          </>
        }
      />
      {leaf === "use" && (
        <Line>
          <RecordHistory type="family" id={id} />
        </Line>
      )}
    </Leaf>
  );
}

type ContentProps = { family: Family; leaf: LeafOfFamily; notes: ReactNode; flags: Flag[] };

function Content({ family, leaf, notes, flags }: ContentProps) {
  const face = useFace(family.files);
  switch (leaf) {
    case "faces":
      return (
        <Line notes={notes}>
          <p className="answer">{standing(family, flags)}</p>
          <h2 className="section">
            {words.faces} <small>{words.facesHelp}</small>
          </h2>
          <SlotGrid
            files={family.files}
            asks={family.asks}
            unlicensed={flags.some((flag) => flag.kind === "NO_LICENSE")}
            picked={(slot) => slot.key === face.key}
            onPick={(cell) => cell.files.length > 0 && face.choose(cell.slot.key)}
          />
          {face.file && <Specimen key={face.file.sha256} file={face.file} family={family} />}
        </Line>
      );
    case "files":
      return (
        <Line notes={notes}>
          <h2 className="section">{words.files}</h2>
          {family.files.length === 0 ? (
            <p className="empty">{words.noFile}</p>
          ) : (
            <>
              <MakeFormats family={family} />
              <FilesByFace family={family} />
            </>
          )}
        </Line>
      );
    case "use":
      return (
        <Line notes={notes}>
          <Use family={family} />
        </Line>
      );
    case "facts":
      return (
        <Line notes={notes}>
          {face.file ? (
            <Facts family={family} file={face.file} choose={face.choose} />
          ) : (
            <p>{words.noFile}</p>
          )}
        </Line>
      );
  }
}

/** The face that is looked at, which stands in the address: the regular one unless another was chosen. */
function useFace(files: HeldFile[]) {
  const [params, setParams] = useSearchParams();
  const chosen = params.get("face") ?? "";
  const key = files.some((file) => file.slot.key === chosen) ? chosen : regularOf(files)?.slot.key;
  return {
    key,
    file: shownFile(files.filter((file) => file.slot.key === key)),
    choose: (face: string) => setParams({ face }, { replace: true, preventScrollReset: true }),
  };
}
