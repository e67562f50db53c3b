import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { Link, useSearchParams } from "react-router";
import { useOne, usePages } from "../shared/api/queries";
import type { HistoryEntry, Person } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { More } from "../shared/parts/More";
import { Entries } from "./Entries";
import { historyAddress } from "./filter";
import { typeWords } from "./words";

/** Who did what, latest first, without end; by person, record and time, which are also the address. */
export function HistoryPage() {
  const [params, setParams] = useSearchParams();
  const people = useOne<Person[]>("/api/people").data ?? [];
  const { items, more, loadingMore } = usePages<HistoryEntry>(historyAddress(params));
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(params);
    if (value) {
      next.set(name, value);
    } else {
      next.delete(name);
    }
    setParams(next, { replace: true });
  };
  const subject = params.get("subject");
  return (
    <Leaf
      title="History"
      margin={false}
      below="Who did what, latest first."
      actions={
        <>
          <TextField
            select
            size="small"
            label="By"
            sx={{ minWidth: 150 }}
            value={params.get("by") ?? ""}
            onChange={(event) => set("by", event.target.value)}
          >
            <MenuItem value="">Anybody</MenuItem>
            {people.map((person) => (
              <MenuItem key={person.name} value={person.name}>
                {person.displayName}
              </MenuItem>
            ))}
            <MenuItem value="unciala">Unciala itself</MenuItem>
          </TextField>
          <TextField
            select
            size="small"
            label="About"
            sx={{ minWidth: 140 }}
            value={params.get("type") ?? ""}
            onChange={(event) => set("type", event.target.value)}
          >
            <MenuItem value="">Everything</MenuItem>
            {Object.entries(typeWords).map(([type, words]) => (
              <MenuItem key={type} value={type}>
                {words}
              </MenuItem>
            ))}
          </TextField>
          {(["from", "until"] as const).map((name) => (
            <TextField
              key={name}
              size="small"
              type="date"
              label={name === "from" ? "From" : "Until"}
              value={params.get(name) ?? ""}
              slotProps={{ inputLabel: { shrink: true } }}
              onChange={(event) => set(name, event.target.value)}
            />
          ))}
          {subject && <Link to="/history">of this record only: show all</Link>}
        </>
      }
    >
      <Line>
        {items && items.length === 0 && <p className="empty">Nothing was done that fits.</p>}
        {items && <Entries entries={items} linked />}
        <More more={more} loading={loadingMore} />
      </Line>
    </Leaf>
  );
}
