import TextField from "@mui/material/TextField";
import { useDeferredValue, useState } from "react";
import { Link } from "react-router";
import { FlagNotes } from "../flag/FlagNote";
import { useFlagsOf } from "../flag/flags";
import { usePages, withParam } from "../shared/api/queries";
import type { Family, Flag } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { chunks } from "../shared/parts/chunks";
import { More } from "../shared/parts/More";
import { SlotGrid } from "./SlotGrid";
import { shownFile } from "./slots";
import { useNameStyle } from "./storedFont";

const AT_ONCE = 30;

export function FamilyListPage() {
  const [filter, setFilter] = useState("");
  const words = useDeferredValue(filter.trim());
  const path = `/api/families?limit=${AT_ONCE}`;
  const { items, more, loadingMore } = usePages<Family>(words ? withParam(path, "name", words) : path);
  return (
    <Leaf
      title="Families"
      below="In each slot, an upright stroke is a desktop file, a dot a web file."
      actions={
        <TextField
          label="Filter by name"
          size="small"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
      }
    >
      {items?.length === 0 && (
        <Line>
          {words ? (
            <p className="empty">No family held has “{words}” in its name.</p>
          ) : (
            <p className="empty">
              Nothing is held yet. Drop an archive of fonts on <Link to="/intake">Intake</Link>; what you
              accept there stands here.
            </p>
          )}
        </Line>
      )}
      {chunks(items ?? [], AT_ONCE).map((families) => (
        <Rows key={families[0]!.id} families={families} />
      ))}
      <Line>
        <More more={more} loading={loadingMore} />
      </Line>
    </Leaf>
  );
}

function Rows({ families }: { families: Family[] }) {
  const flags = useFlagsOf(
    "family",
    families.map((family) => family.id),
  );
  return families.map((family) => <Row key={family.id} family={family} flags={flags} />);
}

function Row({ family, flags }: { family: Family; flags: Flag[] }) {
  const about = flags.filter((flag) => flag.familyId === family.id);
  const own = about.filter((flag) => flag.siteId === "" || flag.kind === "FACE_NOT_HELD");
  const atSites = about.length - own.length;
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
          unlicensed={about.some((flag) => flag.kind === "NO_LICENSE")}
        />
      </div>
    </Line>
  );
}

function Others({ id, text }: { id: string; text: string }) {
  return (
    <div style={{ padding: "0 0 8px 36px" }}>
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
      <div className="quiet" style={{ fontSize: 15 }}>
        {count(new Set(family.files.map((file) => file.slot.key)).size, "face")},{" "}
        {count(family.files.length, "file")}
      </div>
    </div>
  );
}
