import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Flag } from "../api/types";
import { day } from "../parts/format";
import { FlagAction } from "./FlagNote";
import { Sign } from "./Sign";
import { headingOf, toneOf } from "./words";

/** One flag in a list, with links to what it speaks of; `lead` stands before it in place of its sign. */
export function FlagRow({ flag, withGroup, lead }: { flag: Flag; withGroup?: boolean; lead?: ReactNode }) {
  return (
    <div className={`home-row ${toneOf(flag)}`} data-row>
      <span className="sign">{lead ?? <Sign group={flag.group} size={17} decoration />}</span>
      <div>
        {withGroup && <span className="group">{headingOf(flag)} </span>}
        <Link className="plain" to={`/flags/${flag.id}`}>
          <b>{flag.title}</b>
        </Link>{" "}
        <span className="quiet">{flag.reason}</span>
        <Subjects flag={flag} />
      </div>
      <div className="row-act">
        <FlagAction flag={flag} />
      </div>
    </div>
  );
}

export function Subjects({ flag }: { flag: Flag }) {
  return (
    <div className="subjects">
      {flag.siteName && <Link to={`/sites/${flag.siteId}`}>{flag.siteName}</Link>}
      {flag.familyName && <Link to={`/families/${flag.familyId}`}>{flag.familyName}</Link>}
      {flag.licenseName && <Link to={`/licenses/${flag.licenseId}`}>{flag.licenseName}</Link>}
      <span className="quiet">since {day(flag.since)}</span>
      {flag.acceptedUntil && <span className="quiet">accepted until {day(flag.acceptedUntil)}</span>}
      <span className="quiet">{flag.evidence.join(" · ")}</span>
    </div>
  );
}
