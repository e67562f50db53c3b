import { Link, useLocation } from "react-router";
import { useMayEdit } from "../account/session";
import { api, bodyOf } from "../api/client";
import { useChange } from "../api/queries";
import type { Flag } from "../api/types";
import { baseName } from "../parts/format";
import { wayOf } from "./flags";
import { Sign } from "./Sign";
import { accepted, headingOf, toneOf, words } from "./words";

/** One flag as a note in the margin, with its next action. */
export function FlagNote({ flag, brief }: { flag: Flag; brief?: boolean }) {
  const classes = ["note", toneOf(flag), brief && "brief", flag.acceptedUntil && "accepted"];
  return (
    <div
      role="group"
      className={classes.filter(Boolean).join(" ")}
      aria-label={`${headingOf(flag)}: ${flag.title}`}
    >
      <span className="sign">
        <Sign group={flag.group} decoration />
      </span>
      <div className="group">{headingOf(flag)}</div>
      <div className="what">{flag.title}</div>
      {!brief && <div className="why">{flag.reason}</div>}
      {flag.acceptedUntil ? (
        <div className="why">{accepted(flag.acceptedUntil, flag.acceptedReason)}</div>
      ) : (
        <FlagAction flag={flag} />
      )}
      {!brief && (
        <Link className="act minor" to={`/flags/${flag.id}`}>
          {words.decide}
        </Link>
      )}
    </div>
  );
}

/** `most`, where given, is how many a row of a list has room for; they are told in brief. */
export function FlagNotes({ flags, most }: { flags: readonly Flag[]; most?: number }) {
  return flags
    .slice(0, most)
    .map((flag) => <FlagNote key={flag.id} flag={flag} brief={most !== undefined} />);
}

/** The next action of a flag: done here where one step does it, otherwise a way to the place where it is done. */
export function FlagAction({ flag }: { flag: Flag }) {
  const { pathname } = useLocation();
  const mayEdit = useMayEdit();
  const makeWoff2 = useChange({
    of: "family",
    change: () => makeWoff2Of(flag),
    said: (file) => `Made ${baseName(file.fileName)}.`,
  });
  if (flag.action === "MAKE_WOFF2") {
    return mayEdit ? (
      <button type="button" className="act" disabled={makeWoff2.isPending} onClick={() => makeWoff2.mutate()}>
        {makeWoff2.isPending ? words.making : words.makeWoff2}
      </button>
    ) : null;
  }
  const [label, to] = wayOf(flag);
  if (to === pathname) {
    return null;
  }
  return (
    <Link className="act" to={to}>
      {label}
    </Link>
  );
}

/** Makes the WOFF2 that a flag lacks, from the file that it names. */
export function makeWoff2Of(flag: Flag) {
  return bodyOf(
    api.POST("/api/families/{id}/files/{file}/formats/{format}", {
      params: { path: { id: flag.familyId, file: flag.fileIds[0] ?? "", format: "woff2" } },
    }),
  );
}
