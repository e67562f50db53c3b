import { Link } from "react-router";
import { useMayEdit } from "../account/session";
import { call } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Flag, HeldFile } from "../shared/api/types";
import { day, localDates } from "../shared/parts/format";
import { headingOf, wayOf } from "./flags";
import { Sign } from "./Sign";

/** One flag as a note in the margin, with its next action. */
export function FlagNote({ flag, brief }: { flag: Flag; brief?: boolean }) {
  return (
    <div
      role="group"
      className={`note ${flag.severity.toLowerCase()} ${brief ? "brief" : ""} ${flag.acceptedUntil ? "accepted" : ""}`}
      aria-label={`${headingOf(flag)}: ${flag.title}`}
    >
      <span className="sign">
        <Sign group={flag.group} />
      </span>
      <div className="group">{headingOf(flag)}</div>
      <div className="what">{flag.title}</div>
      {!brief && <div className="why">{localDates(flag.reason)}</div>}
      {flag.acceptedUntil ? (
        <div className="why">
          Accepted until {day(flag.acceptedUntil)}: {flag.acceptedReason}
        </div>
      ) : (
        <FlagAction flag={flag} />
      )}
      {!brief && (
        <Link className="act minor" to={`/flags/${flag.id}`}>
          Accept, hand over, comment
        </Link>
      )}
    </div>
  );
}

/** `most`, where given, is how many a row of a list has room for; they are told in brief. */
export function FlagNotes({ flags, most }: { flags: Flag[]; most?: number }) {
  return (
    <>
      {flags.slice(0, most).map((flag) => (
        <FlagNote key={flag.id} flag={flag} brief={most !== undefined} />
      ))}
    </>
  );
}

/** The next action of a flag: done here where one step does it, otherwise a way to the place where it is done. */
export function FlagAction({ flag }: { flag: Flag }) {
  const mayEdit = useMayEdit();
  const makeWoff2 = useChange(
    () => call<HeldFile>("POST", `/api/families/${flag.familyId}/files/${flag.fileIds[0]}/woff2`),
    (file) => `Made ${file.fileName.replace(/^.*\//, "")}.`,
  );
  if (flag.action === "MAKE_WOFF2") {
    return mayEdit ? (
      <button
        type="button"
        className="act"
        disabled={makeWoff2.isPending}
        onClick={() => makeWoff2.mutate(undefined)}
      >
        {makeWoff2.isPending ? "Making WOFF2 …" : "Make WOFF2"}
      </button>
    ) : null;
  }
  const [label, to] = wayOf(flag);
  return (
    <Link className="act" to={to}>
      {label}
    </Link>
  );
}
