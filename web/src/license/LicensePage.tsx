import Button from "@mui/material/Button";
import { useQueries, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { useMayEdit } from "../account/session";
import type { NamedFamily } from "../family/FamilyChoice";
import { FlagNotes } from "../flag/FlagNote";
import { useFlagsOf } from "../flag/flags";
import { RecordHistory } from "../history/RecordHistory";
import { call, isStale } from "../shared/api/client";
import { useChange, useOne } from "../shared/api/queries";
import type { Family, Flag, License, LicenseDraft, PageOf, Undoable } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { Copy } from "../shared/parts/Copy";
import { count, day, kB } from "../shared/parts/format";
import { NotHere } from "../shared/parts/NotHere";
import { LicenseForm } from "./LicenseForm";
import { emptyTerms, kindWords } from "./words";

export function LicensePage() {
  const { id = "" } = useParams();
  return id === "new" ? <NewLicense /> : <RecordedLicense key={id} id={id} />;
}

/** The families that a new license starts from: those named, or all that have no license. */
function useStart(params: URLSearchParams): NamedFamily[] | undefined {
  const ids = params.getAll("family");
  const cause = params.get("cause");
  const named = useQueries({
    queries: ids.slice(0, 200).map((id) => ({
      queryKey: [`/api/families/${id}`],
      queryFn: () => call<Family>("GET", `/api/families/${id}`),
    })),
  });
  const flags = useOne<PageOf<Flag>>(cause ? `/api/flags?cause=${cause}&state=open&limit=500` : undefined);
  if (cause) {
    const families = flags.data?.items.map((flag) => ({ id: flag.familyId, name: flag.familyName }));
    return families && [...new Map(families.map((family) => [family.id, family])).values()];
  }
  return named.some((query) => query.isPending) ? undefined : named.flatMap((query) => query.data ?? []);
}

function NewLicense() {
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const families = useStart(params);
  const save = useChange(
    (draft: LicenseDraft) => call<License>("POST", "/api/licenses", draft),
    (license) => `Recorded “${license.terms.name}”.`,
  );
  if (!families) {
    return <NotHere error={null} all="/licenses" allWords="All licenses" />;
  }
  const [first] = families;
  const start = first
    ? {
        ...emptyTerms,
        name: families.length === 1 ? `${first.name} license` : "",
        covers: families.map((family) => ({ familyId: family.id, faces: [] })),
      }
    : emptyTerms;
  return (
    <Leaf
      title="Record a license"
      above={<Link to="/licenses">Licenses</Link>}
      below={
        families.length > 1
          ? `One license for ${count(families.length, "family", "families")}. What is left at “not stated” is never taken for a yes.`
          : "What is left at “not stated” is never taken for a yes: it is flagged, with what to ask the vendor."
      }
    >
      <LicenseForm
        key={families.map((family) => family.id).join()}
        terms={start}
        familyNames={Object.fromEntries(families.map((family) => [family.id, family.name]))}
        saveLabel="Record"
        onSave={async (draft) => {
          const license = await save.mutateAsync(draft).catch(() => null);
          if (license) {
            await navigate(`/licenses/${license.id}`);
          }
          return license !== null;
        }}
        notes={{}}
      />
    </Leaf>
  );
}

const dateKinds: Flag["kind"][] = ["LICENSE_ENDED", "LICENSE_ENDING", "LICENSE_NOT_BEGUN"];

function RecordedLicense({ id }: { id: string }) {
  const path = `/api/licenses/${id}`;
  const client = useQueryClient();
  const license = useOne<License>(path);
  const flags = useFlagsOf("license", [id]);
  const [params] = useSearchParams();
  const { hash } = useLocation();
  const save = useChange(
    (draft: LicenseDraft) => call<License>("PUT", path, draft, { version: license.data?.version }),
    () => "Saved.",
    isStale,
  );
  const ready = !!license.data;
  useEffect(() => {
    if (ready && hash) {
      document.querySelector(hash)?.scrollIntoView();
    }
  }, [ready, hash]);
  if (!license.data) {
    return <NotHere error={license.error} all="/licenses" allWords="All licenses" />;
  }
  const { terms } = license.data;
  const notes = {
    dates: <FlagNotes flags={flags.filter((flag) => dateKinds.includes(flag.kind))} />,
    domains: (
      <FlagNotes
        flags={flags.filter(
          (flag) =>
            flag.kind === "DOMAIN_NOT_PERMITTED" || (flag.kind === "NOT_STATED" && flag.slot === "DOMAIN"),
        )}
      />
    ),
    rights: <FlagNotes flags={flags.filter((flag) => rightsFlag(flag))} />,
    covers: <FlagNotes flags={flags.filter((flag) => flag.kind === "NOT_COLLECTED")} />,
  };
  return (
    <Leaf
      title={terms.name}
      above={<Link to="/licenses">Licenses</Link>}
      below={[kindWords[terms.kind], terms.vendor].filter(Boolean).join(", ")}
    >
      <LicenseForm
        terms={terms}
        version={license.data.version}
        licenseId={id}
        domain={params.get("domain")}
        familyNames={license.data.familyNames}
        saveLabel="Save"
        onSave={async (draft) => {
          try {
            const edited = await save.mutateAsync(draft);
            client.setQueryData([path], edited);
            return true;
          } catch (error) {
            if (isStale(error)) {
              await client.invalidateQueries({ queryKey: [path] });
            }
            return false;
          }
        }}
        notes={notes}
      />
      <Line id="agreement" notes={<FlagNotes flags={flags.filter((flag) => flag.kind === "NO_PROOF")} />}>
        <Agreement license={license.data} path={path} />
      </Line>
      <AskTheVendor license={license.data} questions={flags.filter((flag) => flag.kind === "NOT_STATED")} />
      <Line>
        <RecordHistory type="license" id={id} />
        <DeleteLicense license={license.data} />
      </Line>
    </Leaf>
  );
}

/** Deletes a license, after saying which sites stand on it. */
function DeleteLicense({ license }: { license: License }) {
  const navigate = useNavigate();
  const mayEdit = useMayEdit();
  const [asking, setAsking] = useState(false);
  const sites = useOne<string[]>(asking ? `/api/licenses/${license.id}/dependents` : undefined).data;
  const remove = useChange(
    async () => {
      const gone = await call<Undoable>("DELETE", `/api/licenses/${license.id}`, undefined, {
        version: license.version,
      });
      await navigate("/licenses");
      return gone;
    },
    (gone) => ({ text: `Deleted “${license.terms.name}”.`, undo: gone.historyId }),
  );
  return mayEdit ? (
    <>
      <Button variant="outlined" onClick={() => setAsking(true)}>
        Delete the license
      </Button>
      {asking && sites && (
        <Confirm
          title={`Delete “${license.terms.name}”?`}
          action="Delete"
          onClose={() => setAsking(false)}
          onConfirm={() => remove.mutate(undefined)}
        >
          {sites.length === 0
            ? "No site stands on it."
            : `${count(sites.length, "site stands", "sites stand")} on it; what they ask for is flagged as unlicensed, unless another license covers it.`}
        </Confirm>
      )}
    </>
  ) : null;
}

function rightsFlag(flag: Flag): boolean {
  const kinds: Flag["kind"][] = ["WEB_USE_REFUSED", "FORMAT_NOT_PERMITTED", "CONVERTING_NOT_PERMITTED"];
  return kinds.includes(flag.kind) || (flag.kind === "NOT_STATED" && flag.slot !== "DOMAIN");
}

function Agreement({ license, path }: { license: License; path: string }) {
  const mayEdit = useMayEdit();
  const attach = useChange(
    (file: File) => {
      const form = new FormData();
      form.append("file", file);
      return call<License>("POST", `${path}/agreement`, form, { version: license.version });
    },
    () => "Attached.",
  );
  const input = useRef<HTMLInputElement>(null);
  const [agreement, ...earlier] = license.agreement;
  return (
    <>
      <h2 className="section">Agreement</h2>
      <p style={{ marginTop: 0 }}>
        {agreement ? (
          <>
            <a href={`/api/files/${agreement.sha256}`} download={agreement.fileName}>
              {agreement.fileName}
            </a>
            , {kB(agreement.bytes)}, {day(agreement.addedAt)}
          </>
        ) : (
          <span className="quiet">The agreement itself is not attached.</span>
        )}
      </p>
      {earlier.length > 0 && (
        <p className="quiet">
          Earlier:{" "}
          {earlier.map((old, i) => (
            <span key={old.id}>
              {i > 0 && ", "}
              <a href={`/api/files/${old.sha256}`} download={old.fileName}>
                {old.fileName}
              </a>
            </span>
          ))}
        </p>
      )}
      {mayEdit && (
        <Button
          variant="outlined"
          size="small"
          disabled={attach.isPending}
          onClick={() => input.current?.click()}
        >
          {agreement ? "Attach a newer one" : "Attach the agreement"}
        </Button>
      )}
      <input
        ref={input}
        hidden
        type="file"
        aria-label="Agreement file"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) {
            attach.mutate(file);
          }
          event.target.value = "";
        }}
      />
    </>
  );
}

/** The open questions of a license, as a letter to copy. */
function AskTheVendor({ license, questions }: { license: License; questions: Flag[] }) {
  if (questions.length === 0) {
    return null;
  }
  const asked = [
    ...new Set(
      questions.map((flag) =>
        flag.reason.replace(/^.*: /, "").replace(/ (is|are) not stated; ask the vendor$/, ""),
      ),
    ),
  ];
  const letter = `Dear ${license.terms.vendor || "vendor"},\n\nour license “${license.terms.name}” does not say whether it covers:\n${asked.map((line) => `– ${line}`).join("\n")}\n\nPlease let us know in writing.`;
  return (
    <Line id="ask">
      <h2 className="section">
        Ask the vendor <Copy text={letter} />
      </h2>
      <p style={{ whiteSpace: "pre-line", marginTop: 0, maxWidth: "62ch" }}>{letter}</p>
    </Line>
  );
}
