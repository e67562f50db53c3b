import { Link } from "react-router";
import { usePages } from "../shared/api/queries";
import type { Family, Flag } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagIndex } from "../shared/flag/flags";
import { SlotGrid } from "../shared/font/SlotGrid";
import { shownFile } from "../shared/font/slots";
import { useNameStyle } from "../shared/font/storedFont";
import { Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { RecordList, useFilter } from "../shared/parts/RecordList";
import { howMany, noneNamed, words } from "./words";

const AT_ONCE = 30;
const noFlags: Flag[] = [];

export function FamilyListPage() {
  const filter = useFilter();
  const list = usePages(
    "/api/families",
    { limit: AT_ONCE, name: filter.words || undefined },
    { keepShown: true },
  );
  const flags = useFlagIndex("family", list.items?.map((family) => family.id) ?? [], AT_ONCE);
  return (
    <RecordList
      title={words.title}
      below={words.below}
      filter={filter}
      filterLabel={words.filter}
      list={list}
      none={filter.words ? noneNamed(filter.words) : <NothingHeld />}
      height={92}
      row={(family) => <Row family={family} flags={flags.get(family.id) ?? noFlags} />}
    />
  );
}

function NothingHeld() {
  return (
    <>
      Nothing is held yet. Drop an archive of fonts on <Link to="/intake">Intake</Link>; what you accept there
      stands here.
    </>
  );
}

function Row({ family, flags }: { family: Family; flags: Flag[] }) {
  const own = flags.filter((flag) => flag.siteId === "" || flag.kind === "FACE_NOT_HELD");
  const atSites = flags.length - own.length;
  return (
    <Line
      ruled
      notes={
        <>
          <FlagNotes flags={own} most={1} />
          {own.length > 1 && <Others id={family.id} text={`and ${count(own.length - 1, "more flag")}`} />}
          {own.length <= 1 && atSites > 0 && (
            <Others id={family.id} text={`${count(atSites, "flag")} at sites`} />
          )}
        </>
      }
    >
      <div className="family-row">
        <FamilyName family={family} />
        <SlotGrid
          small
          files={family.files}
          asks={family.asks}
          unlicensed={flags.some((flag) => flag.kind === "NO_LICENSE")}
        />
      </div>
    </Line>
  );
}

function Others({ id, text }: { id: string; text: string }) {
  return (
    <div className="others">
      <Link to={`/families/${id}`}>{text}</Link>
    </div>
  );
}

function FamilyName({ family }: { family: Family }) {
  const regular = family.files.filter(
    (file) => file.slot.slope === "upright" && file.slot.weight <= 400 && file.slot.weightMax >= 400,
  );
  const style = useNameStyle(shownFile(regular.length > 0 ? regular : family.files));
  return (
    <div>
      <Link to={`/families/${family.id}`} className="name" style={style}>
        {family.name}
      </Link>
      <div className="quiet small">{howMany(family.files)}</div>
    </div>
  );
}
