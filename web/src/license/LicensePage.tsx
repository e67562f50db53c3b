import Button from "@mui/material/Button";
import { useEffect, useRef } from "react";
import { Link, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { FlagNotes } from "../flag/FlagNote";
import { useFlagsWhere } from "../flag/flags";
import { call } from "../shared/api/client";
import { useChange, useList, useOne } from "../shared/api/queries";
import type { Family, Flag, License, LicenseDraft } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Copy } from "../shared/parts/Copy";
import { kB } from "../shared/parts/format";
import { LicenseForm } from "./LicenseForm";
import { emptyTerms, kindWords } from "./words";

export function LicensePage() {
  const { id = "" } = useParams();
  return id === "new" ? <NewLicense /> : <RecordedLicense key={id} id={id} />;
}

function NewLicense() {
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const families = useList<Family>("/api/families").data;
  const familyId = params.get("family");
  const save = useChange(
    async (draft: LicenseDraft) => {
      const license = await call<License>("POST", "/api/licenses", draft);
      await navigate(`/licenses/${license.id}`);
      return license;
    },
    (license) => `Recorded “${license.terms.name}”.`,
  );
  if (!families) {
    return null;
  }
  const family = families.find((one) => one.id === familyId);
  const start = family
    ? { ...emptyTerms, name: `${family.name} license`, covers: [{ familyId: family.id, faces: [] }] }
    : emptyTerms;
  return (
    <Leaf
      title="Record a license"
      above={<Link to="/licenses">Licenses</Link>}
      below="What is left at “not stated” is never taken for a yes: it is flagged, with what to ask the vendor."
    >
      <LicenseForm
        key={family?.id ?? "none"}
        terms={start}
        families={families}
        saveLabel="Record"
        onSave={(draft) => save.mutate(draft)}
        notes={{}}
      />
    </Leaf>
  );
}

const dateKinds: Flag["kind"][] = ["LICENSE_ENDED", "LICENSE_ENDING", "LICENSE_NOT_BEGUN"];

function RecordedLicense({ id }: { id: string }) {
  const path = `/api/licenses/${id}`;
  const license = useOne<License>(path);
  const families = useList<Family>("/api/families").data;
  const flags = useFlagsWhere((flag) => flag.licenseId === id);
  const [params] = useSearchParams();
  const { hash } = useLocation();
  const save = useChange(
    (draft: LicenseDraft) => call<License>("PUT", path, draft, license.data?.version),
    () => "Saved.",
  );
  const ready = !!license.data && !!families;
  useEffect(() => {
    if (ready && hash) {
      document.querySelector(hash)?.scrollIntoView();
    }
  }, [ready, hash]);
  if (license.error) {
    return (
      <Leaf title="Not here" below={license.error.message}>
        <Line>
          <Link to="/licenses">All licenses</Link>
        </Line>
      </Leaf>
    );
  }
  if (!license.data || !families) {
    return null;
  }
  const { terms } = license.data;
  const domain = params.get("domain");
  const start =
    domain && !terms.domains.includes(domain) ? { ...terms, domains: [...terms.domains, domain] } : terms;
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
        key={license.data.version}
        terms={start}
        unsaved={start !== terms}
        families={families}
        saveLabel="Save"
        onSave={(draft) => save.mutate(draft)}
        notes={notes}
      />
      <Line id="agreement" notes={<FlagNotes flags={flags.filter((flag) => flag.kind === "NO_PROOF")} />}>
        <Agreement license={license.data} path={path} />
      </Line>
      <AskTheVendor license={license.data} questions={flags.filter((flag) => flag.kind === "NOT_STATED")} />
    </Leaf>
  );
}

function rightsFlag(flag: Flag): boolean {
  const kinds: Flag["kind"][] = ["WEB_USE_REFUSED", "FORMAT_NOT_PERMITTED", "CONVERTING_NOT_PERMITTED"];
  return kinds.includes(flag.kind) || (flag.kind === "NOT_STATED" && flag.slot !== "DOMAIN");
}

function Agreement({ license, path }: { license: License; path: string }) {
  const attach = useChange(
    (file: File) => {
      const form = new FormData();
      form.append("file", file);
      return call<License>("POST", `${path}/agreement`, form);
    },
    () => "Attached.",
  );
  const input = useRef<HTMLInputElement>(null);
  const [agreement] = license.agreement;
  return (
    <>
      <h2 className="section">Agreement</h2>
      <p style={{ marginTop: 0 }}>
        {agreement ? (
          <>
            <a href={`/api/files/${agreement.sha256}`} download={agreement.fileName}>
              {agreement.fileName}
            </a>
            , {kB(agreement.bytes)}
          </>
        ) : (
          <span className="quiet">The agreement itself is not attached.</span>
        )}
      </p>
      <Button variant="outlined" size="small" onClick={() => input.current?.click()}>
        {agreement ? "Replace it" : "Attach the agreement"}
      </Button>
      <input
        ref={input}
        hidden
        type="file"
        aria-label="Agreement file"
        onChange={(event) => event.target.files?.[0] && attach.mutate(event.target.files[0])}
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
