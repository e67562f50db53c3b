import TextField from "@mui/material/TextField";
import { Link, useSearchParams } from "react-router";
import { useGet, usePages } from "../shared/api/queries";
import { Entry } from "../shared/history/Entries";
import { typeWords } from "../shared/history/words";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Choice, type Option } from "../shared/parts/Choice";
import { Rows } from "../shared/parts/Rows";
import { Shown } from "../shared/states/States";
import { historyQuery } from "./filter";
import { words } from "./words";

/** Who did what, latest first, without end; by person, record and time, which are also the address. */
export function HistoryPage() {
  const [params, setParams] = useSearchParams();
  const people = useGet("/api/people").data ?? [];
  const { items, error, again, more, loadingMore } = usePages("/api/history", historyQuery(params), {
    keepShown: true,
  });
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(params);
    if (value) {
      next.set(name, value);
    } else {
      next.delete(name);
    }
    setParams(next, { replace: true, preventScrollReset: true });
  };
  const persons = people.map(({ name, displayName }): Option => [name, displayName]);
  const choice = (name: string, label: string, options: Option[]) => (
    <Choice
      label={label}
      width={150}
      value={params.get(name) ?? ""}
      options={options}
      onChange={(value) => set(name, value)}
    />
  );
  return (
    <Leaf
      title={words.title}
      margin={false}
      below={words.below}
      actions={
        <>
          {choice("by", words.by, [["", words.anybody], ...persons, ["unciala", words.itself]])}
          {choice("type", words.about, [["", words.everything], ...Object.entries(typeWords)])}
          {(["from", "until"] as const).map((name) => (
            <TextField
              key={name}
              size="small"
              type="date"
              label={words[name]}
              value={params.get(name) ?? ""}
              slotProps={{ inputLabel: { shrink: true } }}
              onChange={(event) => set(name, event.target.value)}
            />
          ))}
          {params.get("subject") && <Link to="/history">{words.narrowed}</Link>}
        </>
      }
    >
      <Line>
        <Shown of={{ data: items, error, refetch: again }} lines={10}>
          {(entries) =>
            entries.length === 0 ? (
              <p className="empty">{words.none}</p>
            ) : (
              <div className="history">
                <Rows
                  label={words.title}
                  items={entries}
                  keyOf={(entry) => entry.id}
                  height={44}
                  more={more}
                  loadingMore={loadingMore}
                  row={(entry) => <Entry entry={entry} linked />}
                />
              </div>
            )
          }
        </Shown>
      </Line>
    </Leaf>
  );
}
