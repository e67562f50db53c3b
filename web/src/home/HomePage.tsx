import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useWho } from "../shared/account/session";
import { useGet } from "../shared/api/queries";
import type { Flag, FlagCount, Gathered, IntakeSummary } from "../shared/api/types";
import { GatheredEntry } from "../shared/flag/GatheredEntry";
import { filterOf, gatheredQuery, openOf, useCounts, type FlagFilter } from "../shared/flag/flags";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count, longDay } from "../shared/parts/format";
import { uploadsInWords } from "../shared/parts/uploads";
import { useRovingFocus } from "../shared/parts/useRovingFocus";
import { Shown } from "../shared/states/States";
import { inWords, words } from "./words";

const MOST_STOPS = 5;
const MOST_QUESTIONS = 3;
const MOST_MINE = 4;
const open = filterOf(new URLSearchParams());

/** What needs me today, at most a screenful: what must not go out, what waits for an answer, what ends soon. */
export function HomePage() {
  const counts = useCounts();
  const intakes = useGet("/api/intakes", { query: { limit: 20 } }).data?.items ?? [];
  const families = useGet("/api/families", { query: { limit: 1 } }).data;
  const ending = useGet("/api/flags", { query: { cause: "LICENSE_ENDING", state: "open", limit: 3 } }).data
    ?.items;
  const waiting = intakes.filter((intake) => intake.state === "REVIEW");
  const walk = useRovingFocus<HTMLDivElement>();
  const later = counts ? openOf(counts, { severity: "WARN" }) : 0;
  return (
    <Leaf title={longDay(new Date())} below={counts && inWords(counts, waiting.length)}>
      {families?.items.length === 0 && <FirstSteps />}
      <Line
        notes={
          <>
            {waiting.slice(0, 3).map((intake) => (
              <Waiting key={intake.id} intake={intake} />
            ))}
            {ending?.map((flag) => (
              <Ending key={flag.id} flag={flag} />
            ))}
          </>
        }
      >
        <div ref={walk}>
          <Mine />
          <Severe title={words.stops} severity="STOP" most={MOST_STOPS} counts={counts} />
          <Severe title={words.asks} severity="ASK" most={MOST_QUESTIONS} counts={counts} />
          {later > 0 && (
            <p>
              <Link to="/flags?severity=WARN">{count(later, "more flag")}</Link>{" "}
              <span className="quiet">{words.waits}</span>
            </p>
          )}
        </div>
      </Line>
    </Leaf>
  );
}

function Waiting({ intake }: { intake: IntakeSummary }) {
  return (
    <div className="aside">
      <b>{words.anIntake}</b>
      <div>
        <Link to={`/intake/${intake.id}`}>{uploadsInWords(intake.uploads)}</Link>
      </div>
      <div className="quiet">{count(intake.files, "file")}</div>
    </div>
  );
}

function Ending({ flag }: { flag: Flag }) {
  return (
    <div className="aside">
      <b className="soon">{words.ending}</b>
      <div>
        <Link to={`/licenses/${flag.licenseId}`}>{flag.licenseName}</Link>
      </div>
      <div className="quiet">{flag.reason}</div>
    </div>
  );
}

function Mine() {
  const me = useWho().data?.name ?? "";
  const filter = { ...open, person: me };
  const mine = useGet("/api/flags/gathered", { query: gatheredQuery(filter, MOST_MINE) }).data;
  return mine && mine.length > 0 ? (
    <Part title={words.mine} entries={mine} filter={filter} all={`/flags?person=${me}`} />
  ) : null;
}

function Severe(props: {
  title: string;
  severity: Flag["severity"];
  most: number;
  counts: FlagCount[] | undefined;
}) {
  const filter = { ...open, severity: props.severity };
  const entries = useGet("/api/flags/gathered", { query: gatheredQuery(filter, props.most) });
  const causes = (props.counts ?? [])
    .filter((one) => one.severity === props.severity)
    .reduce((sum, one) => sum + one.causes, 0);
  return (
    <Shown of={entries} lines={props.most}>
      {(found) =>
        found.length > 0 && (
          <Part
            title={props.title}
            entries={found}
            filter={filter}
            all={`/flags?severity=${props.severity}`}
            more={causes - found.length}
          />
        )
      }
    </Shown>
  );
}

function Part(props: { title: string; entries: Gathered[]; filter: FlagFilter; all: string; more?: number }) {
  return (
    <section>
      <h2 className="section">{props.title}</h2>
      {props.entries.map((entry) => (
        <GatheredEntry key={entry.key} entry={entry} filter={props.filter} />
      ))}
      {!!props.more && props.more > 0 && (
        <p>
          <Link to={props.all}>{count(props.more, "more cause")}</Link>
        </p>
      )}
    </section>
  );
}

function FirstSteps() {
  return (
    <Line>
      <div className="empty">
        <p className="first">{words.empty}</p>
        <Button component={Link} to="/intake" variant="contained">
          {words.begin}
        </Button>
      </div>
    </Line>
  );
}
