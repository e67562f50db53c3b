import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useWho } from "../account/session";
import { GatheredEntry } from "../flag/GatheredEntry";
import { filterOf, gatheredAddress, openOf, useCounts, type FlagFilter } from "../flag/flags";
import { uploadsInWords } from "../intake/words";
import { useOne } from "../shared/api/queries";
import type { Flag, FlagCount, Gathered, IntakeSummary, PageOf } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count, localDates } from "../shared/parts/format";

const MOST_STOPS = 5;
const MOST_QUESTIONS = 3;
const open = filterOf(new URLSearchParams());

/** What needs me today, at most a screenful: what must not go out, what waits for an answer, what ends soon. */
export function HomePage() {
  const counts = useCounts();
  const me = useWho().data;
  const intakes = useOne<PageOf<IntakeSummary>>("/api/intakes?limit=20").data?.items ?? [];
  const families = useOne<PageOf<unknown>>("/api/families?limit=1").data;
  const ending = useOne<PageOf<Flag>>("/api/flags?cause=LICENSE_ENDING&state=open&limit=3").data?.items ?? [];
  const mine = useGathered({ ...open, person: me?.name ?? "-" }, 4);
  const waiting = intakes.filter((intake) => intake.state === "REVIEW");
  return (
    <Leaf
      title={new Date().toLocaleDateString(undefined, { weekday: "long", day: "numeric", month: "long" })}
      below={counts && inWords(counts, waiting.length)}
    >
      {families?.items.length === 0 && <FirstSteps />}
      <Line
        notes={
          <>
            {waiting.slice(0, 3).map((intake) => (
              <div key={intake.id} className="aside">
                <b>An intake waits</b>
                <div>
                  <Link to={`/intake/${intake.id}`}>{uploadsInWords(intake.uploads)}</Link>
                </div>
                <div className="quiet">{count(intake.files, "file")}</div>
              </div>
            ))}
            {ending.map((flag) => (
              <div key={flag.id} className="aside">
                <b className="soon">Ends soon</b>
                <div>
                  <Link to={`/licenses/${flag.licenseId}#dates`}>{flag.licenseName}</Link>
                </div>
                <div className="quiet">{localDates(flag.reason)}</div>
              </div>
            ))}
          </>
        }
      >
        {mine && mine.length > 0 && (
          <Part
            title="Handed to you"
            entries={mine}
            filter={{ ...open, person: me?.name ?? "" }}
            all={`/flags?person=${me?.name}`}
          />
        )}
        <Severe title="Must not go out like this" severity="STOP" most={MOST_STOPS} counts={counts} />
        <Severe title="Needs an answer" severity="ASK" most={MOST_QUESTIONS} counts={counts} />
        {counts && openOf(counts, { severity: "WARN" }) > 0 && (
          <p>
            <Link to="/flags?severity=WARN">{count(openOf(counts, { severity: "WARN" }), "more flag")}</Link>{" "}
            <span className="quiet">can wait: formats to make, files held twice, proof to attach.</span>
          </p>
        )}
      </Line>
    </Leaf>
  );
}

function useGathered(filter: FlagFilter, most: number): Gathered[] | undefined {
  return useOne<Gathered[]>(gatheredAddress(filter, most)).data;
}

function Severe(props: {
  title: string;
  severity: Flag["severity"];
  most: number;
  counts: FlagCount[] | undefined;
}) {
  const filter = { ...open, severity: props.severity };
  const entries = useGathered(filter, props.most);
  const causes = (props.counts ?? [])
    .filter((one) => one.severity === props.severity)
    .reduce((sum, one) => sum + one.causes, 0);
  return entries && entries.length > 0 ? (
    <Part
      title={props.title}
      entries={entries}
      filter={filter}
      all={`/flags?severity=${props.severity}`}
      more={causes - entries.length}
    />
  ) : null;
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
        <p style={{ marginTop: 0 }}>Nothing is held yet. Begin with the fonts of one client:</p>
        <Button component={Link} to="/intake" variant="contained">
          Drop an archive on Intake
        </Button>
      </div>
    </Line>
  );
}

function inWords(counts: FlagCount[], waiting: number): string {
  const stops = openOf(counts, { severity: "STOP" });
  const asks = openOf(counts, { severity: "ASK" });
  const parts = [
    stops && `${count(stops, "thing")} must not go out as ${stops === 1 ? "it is" : "they are"}`,
    asks && `${count(asks, "question")} to a vendor ${asks === 1 ? "is" : "are"} open`,
    waiting && `${count(waiting, "intake")} ${waiting === 1 ? "waits" : "wait"} for you`,
  ].filter(Boolean);
  return parts.length === 0 ? "Nothing needs you today." : `${parts.join("; ")}.`;
}
