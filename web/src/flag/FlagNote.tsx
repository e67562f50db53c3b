import { Link } from "react-router";
import { call } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Flag, HeldFile } from "../shared/api/types";
import { localDates } from "../shared/parts/format";
import { groupNames } from "./flags";
import { Sign } from "./Sign";

/** One flag as a note in the margin, with its next action. */
export function FlagNote({ flag, brief }: { flag: Flag; brief?: boolean }) {
  return (
    <aside
      className={`note ${flag.severity.toLowerCase()} ${brief ? "brief" : ""}`}
      aria-label={`${groupNames[flag.group]}: ${flag.title}`}
    >
      <span className="sign">
        <Sign group={flag.group} />
      </span>
      <div className="group">{flag.severity === "ASK" ? "Not stated" : groupNames[flag.group]}</div>
      <div className="what">{flag.title}</div>
      {!brief && <div className="why">{localDates(flag.reason)}</div>}
      <FlagAction flag={flag} />
    </aside>
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
  const makeWoff2 = useChange(
    () => call<HeldFile>("POST", `/api/families/${flag.familyId}/files/${flag.fileIds[0]}/woff2`),
    (file) => `Made ${file.fileName.replace(/^.*\//, "")}.`,
  );
  if (flag.action === "MAKE_WOFF2") {
    return (
      <button
        type="button"
        className="act"
        disabled={makeWoff2.isPending}
        onClick={() => makeWoff2.mutate(undefined)}
      >
        {makeWoff2.isPending ? "Making WOFF2 …" : "Make WOFF2"}
      </button>
    );
  }
  const [label, to] = way(flag);
  return (
    <Link className="act" to={to}>
      {label}
    </Link>
  );
}

function way(flag: Flag): [string, string] {
  const license = `/licenses/${flag.licenseId}`;
  switch (flag.action) {
    case "RECORD_LICENSE":
      return ["Record a license", `/licenses/new?family=${flag.familyId}`];
    case "RENEW_LICENSE":
      return ["Renew it", `${license}#dates`];
    case "PERMIT_DOMAIN":
      return ["Add the domain", `${license}?domain=${flag.domain}#domains`];
    case "ATTACH_AGREEMENT":
      return ["Attach the agreement", `${license}#agreement`];
    case "ASK_VENDOR":
      return flag.licenseId
        ? ["Ask the vendor", `${license}#ask`]
        : ["See the file", `/families/${flag.familyId}#files`];
    case "ADD_FILES":
      return ["Add the files", `/intake?for=${flag.familyId}`];
    case "REMOVE_FILE":
      return ["Choose which to keep", `/families/${flag.familyId}#files`];
    default:
      return ["See the license", license];
  }
}
