import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link } from "react-router";
import { FlagNotes } from "../flag/FlagNote";
import { useFlags } from "../flag/flags";
import { useList } from "../shared/api/queries";
import type { Family, Site } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { asksOf } from "./asks";
import { SlotGrid } from "./SlotGrid";
import { shownFile } from "./slots";
import { useNameStyle } from "./storedFont";

export function FamilyListPage() {
  const families = useList<Family>("/api/families");
  const sites = useList<Site>("/api/sites").data ?? [];
  const flags = useFlags().data ?? [];
  const [filter, setFilter] = useState("");
  const all = families.data ?? [];
  const shown = all.filter((family) => family.name.toLowerCase().includes(filter.toLowerCase()));
  const files = all.reduce((sum, family) => sum + family.files.length, 0);
  return (
    <Leaf
      title="Families"
      below={
        families.data &&
        `${count(all.length, "family", "families")} in ${count(files, "file")}. In each slot, an upright stroke is a desktop file, a dot a web file.`
      }
      actions={
        all.length > 3 && (
          <TextField
            label="Filter by name"
            size="small"
            value={filter}
            onChange={(e) => setFilter(e.target.value)}
          />
        )
      }
    >
      {families.data && all.length === 0 && (
        <Line>
          <p className="empty">
            Nothing is held yet. Drop an archive of fonts on <Link to="/intake">Intake</Link>; what you accept
            there stands here.
          </p>
        </Line>
      )}
      {shown.map((family) => {
        const own = flags.filter(
          (flag) => flag.familyId === family.id && (flag.siteId === "" || flag.kind === "FACE_NOT_HELD"),
        );
        const atSites = flags.filter((flag) => flag.familyId === family.id).length - own.length;
        return (
          <Line
            ruled
            key={family.id}
            notes={
              <>
                <FlagNotes flags={own} most={1} />
                {own.length > 1 && <More id={family.id} text={`and ${count(own.length - 1, "more flag")}`} />}
                {own.length <= 1 && atSites > 0 && (
                  <More id={family.id} text={`${count(atSites, "flag")} at sites`} />
                )}
              </>
            }
          >
            <div className="family-row">
              <FamilyName family={family} />
              <SlotGrid
                small
                files={family.files}
                asks={asksOf(sites, family.id)}
                unlicensed={flags.some((flag) => flag.familyId === family.id && flag.kind === "NO_LICENSE")}
              />
            </div>
          </Line>
        );
      })}
    </Leaf>
  );
}

function More({ id, text }: { id: string; text: string }) {
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
