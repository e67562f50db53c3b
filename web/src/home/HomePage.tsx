import Button from "@mui/material/Button";
import { Link } from "react-router";
import { FlagRow } from "../flag/FlagListPage";
import { useFlags } from "../flag/flags";
import { uploadsInWords } from "../intake/IntakeListPage";
import { useList } from "../shared/api/queries";
import type { Family, Flag, IntakeSummary, License, Site } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count, day } from "../shared/parts/format";
import { money } from "../license/words";

/** What needs me today: what must not go out, what waits for an answer, what ends soon. */
export function HomePage() {
  const flags = useFlags();
  const intakes = useList<IntakeSummary>("/api/intakes").data ?? [];
  const licenses = useList<License>("/api/licenses").data ?? [];
  const sites = useList<Site>("/api/sites").data ?? [];
  const families = useList<Family>("/api/families");
  const all = flags.data ?? [];
  const stops = all.filter((flag) => flag.severity === "STOP");
  const asks = all.filter((flag) => flag.severity === "ASK");
  const waiting = intakes.filter((intake) => intake.state === "REVIEW");
  const soon = licenses.filter((license) =>
    all.some((flag) => flag.kind === "LICENSE_ENDING" && flag.licenseId === license.id),
  );
  if (!flags.data || !families.data) {
    return null;
  }
  return (
    <Leaf
      title={new Date().toLocaleDateString(undefined, { weekday: "long", day: "numeric", month: "long" })}
      below={inWords(stops.length, asks.length, waiting.length)}
      notes={
        <div style={{ padding: "34px 0 0 22px" }} className="quiet">
          <div>{count(families.data.length, "family", "families")} held</div>
          <div>{count(licenses.length, "license")}</div>
          <div>{count(sites.length, "site")}</div>
        </div>
      }
    >
      {families.data.length === 0 && <FirstSteps />}
      <Line
        notes={
          <>
            {waiting.map((intake) => (
              <div key={intake.id} style={{ padding: "30px 0 6px 22px" }}>
                <b>An intake waits</b>
                <div>
                  <Link to={`/intake/${intake.id}`}>{uploadsInWords(intake.uploads)}</Link>
                </div>
                <div className="quiet">
                  {count(intake.files, "file")} from {intake.createdBy}
                </div>
              </div>
            ))}
            {soon.map((license) => (
              <div key={license.id} style={{ padding: "14px 0 6px 22px" }}>
                <b style={{ color: "var(--soon)" }}>Ends {day(license.terms.ends)}</b>
                <div>
                  <Link to={`/licenses/${license.id}`}>{license.terms.name}</Link>
                </div>
                <div className="quiet">{money(license.terms.price, license.terms.currency)} to renew</div>
              </div>
            ))}
          </>
        }
      >
        <Part title="Must not go out like this" flags={stops} />
        <Part title="Needs an answer" flags={asks} />
        {all.length > stops.length + asks.length && (
          <p>
            <Link to="/flags">{count(all.length - stops.length - asks.length, "more flag")}</Link>{" "}
            <span className="quiet">can wait: formats to make, files held twice, proof to attach.</span>
          </p>
        )}
      </Line>
    </Leaf>
  );
}

function Part({ title, flags }: { title: string; flags: Flag[] }) {
  return flags.length === 0 ? null : (
    <section>
      <h2 className="section">{title}</h2>
      {flags.map((flag) => (
        <FlagRow key={flag.id} flag={flag} withGroup />
      ))}
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

function inWords(stops: number, asks: number, waiting: number): string {
  const parts = [
    stops && `${count(stops, "thing")} must not go out as ${stops === 1 ? "it is" : "they are"}`,
    asks && `${count(asks, "question")} to a vendor ${asks === 1 ? "is" : "are"} open`,
    waiting && `${count(waiting, "intake")} ${waiting === 1 ? "waits" : "wait"} for you`,
  ].filter(Boolean);
  return parts.length === 0 ? "Nothing needs you today." : `${parts.join("; ")}.`;
}
