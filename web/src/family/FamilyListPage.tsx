import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link } from "react-router";
import { usePages } from "../shared/api/queries";
import type { Family, Flag } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagIndex } from "../shared/flag/flags";
import { SlotGrid } from "../shared/font/SlotGrid";
import { shownFile } from "../shared/font/slots";
import { useNameStyle } from "../shared/font/storedFont";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { Rows } from "../shared/parts/Rows";
import { useSettled } from "../shared/parts/useSettled";
import { Shown } from "../shared/states/States";
import { howMany, noneNamed, words } from "./words";

const AT_ONCE = 30;
const noFlags: Flag[] = [];

export function FamilyListPage() {
  const [filter, setFilter] = useState("");
  const name = useSettled(filter.trim());
  const { items, error, again, more, loadingMore } = usePages(
    "/api/families",
    { limit: AT_ONCE, name: name || undefined },
    { keepShown: true },
  );
  const flags = useFlagIndex("family", items?.map((family) => family.id) ?? [], AT_ONCE);
  return (
    <Leaf
      title={words.title}
      below={words.below}
      actions={
        <TextField
          label={words.filter}
          size="small"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
      }
    >
      <Shown of={{ data: items, error, refetch: again }} lines={9}>
        {(families) =>
          families.length === 0 ? (
            <Line>
              {name ? (
                <p className="empty">{noneNamed(name)}</p>
              ) : (
                <p className="empty">
                  Nothing is held yet. Drop an archive of fonts on <Link to="/intake">Intake</Link>; what you
                  accept there stands here.
                </p>
              )}
            </Line>
          ) : (
            <Rows
              label={words.title}
              items={families}
              keyOf={(family) => family.id}
              height={92}
              more={more}
              loadingMore={loadingMore}
              row={(family) => <Row family={family} flags={flags.get(family.id) ?? noFlags} />}
            />
          )
        }
      </Shown>
    </Leaf>
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
