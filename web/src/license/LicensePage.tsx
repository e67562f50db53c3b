import { useQueries } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing, isStale } from "../shared/api/client";
import { asking, useChange, useGet } from "../shared/api/queries";
import { useKeep } from "../shared/api/useKeep";
import type { Flag, License, LicenseDraft } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { filterOf, insideQuery, useFlagsOf } from "../shared/flag/flags";
import { RecordHistory } from "../shared/history/RecordHistory";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Leaves } from "../shared/layout/Leaves";
import { Choice } from "../shared/parts/Choice";
import { useTell } from "../shared/parts/Messages";
import type { NamedRecord } from "../shared/parts/RecordChoice";
import { useGoToHash } from "../shared/parts/useGoToHash";
import { NotHere } from "../shared/states/NotHere";
import { ActsTable, AllowsSentences, CoveredFaces, DatesAndMoney, StandingOn } from "./Allows";
import { attach, Documents } from "./Documents";
import { AskTheVendor } from "./AskTheVendor";
import { DeleteLicense } from "./DeleteLicense";
import { LicenseForm } from "./LicenseForm";
import { leafNames, leavesOf, partOf, type LeafOfLicense, type Part } from "./leaves";
import { KeepAsSet } from "./sets/KeepAsSet";
import { emptyTerms, startedFrom } from "./terms";
import { basisWords, notAttached, oneForAll, words } from "./words";

const MOST_FAMILIES = 200;
/** Stands for no set of terms where one is chosen. */
const BLANK = "blank";
const MOST_FAMILIES_OF_CAUSE = 500;

export function LicensePage() {
  const { id = "" } = useParams();
  return id === "new" ? <NewLicense /> : <RecordedLicense key={id} id={id} />;
}

/** The families that a new license starts from: those named, or all without a license that the flags showed. */
function useStart(params: URLSearchParams): { families: NamedRecord[] | undefined; error: Error | null } {
  const ids = params.getAll("family").slice(0, MOST_FAMILIES);
  const cause = params.get("cause");
  const named = useQueries({ queries: ids.map((id) => asking("/api/families/{id}", { path: { id } })) });
  const flags = useGet(
    "/api/flags",
    {
      query: {
        ...insideQuery(filterOf(params), { by: "CAUSE", key: cause ?? "" }),
        limit: MOST_FAMILIES_OF_CAUSE,
      },
    },
    { enabled: cause !== null },
  );
  if (cause !== null) {
    const families = flags.data?.items.map((flag) => ({ id: flag.familyId, name: flag.familyName }));
    return {
      families: families && [...new Map(families.map((family) => [family.id, family])).values()],
      error: flags.error,
    };
  }
  const waiting = named.some((query) => query.isPending);
  return {
    families: waiting ? undefined : named.flatMap((query) => query.data ?? []),
    error: named.find((query) => query.error)?.error ?? null,
  };
}

function NewLicense() {
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const { families, error } = useStart(params);
  const sets = useGet("/api/terms");
  const tell = useTell();
  const [agreement, setAgreement] = useState<File | null>(null);
  const save = useChange({
    of: "license",
    change: async (draft: LicenseDraft) => {
      const license = await bodyOf(api.POST("/api/licenses", { body: draft }));
      try {
        return agreement ? await bodyOf(attach(license, agreement)) : license;
      } catch (error) {
        // It is recorded: to press Save once more would record it twice.
        tell({ text: notAttached((error as Error).message), kind: "problem" });
        return license;
      }
    },
    said: (license) => `Recorded “${license.terms.name}”.`,
  });
  if (!families || sets.isPending) {
    return <NotHere error={error} all="/licenses" allWords={words.all} />;
  }
  const [first] = families;
  const set = sets.data?.find((one) => one.id === params.get("terms"));
  const start = first
    ? {
        ...emptyTerms,
        name: families.length === 1 ? `${first.name} license` : "",
        covers: families.map((family) => ({ familyId: family.id, faces: [] })),
      }
    : emptyTerms;
  return (
    <Leaf
      title={words.record}
      above={<Link to="/licenses">{words.title}</Link>}
      below={oneForAll(families.length)}
    >
      {sets.data && sets.data.length > 0 && (
        <Line>
          <div className="in-a-row">
            <Choice
              label={words.startFrom}
              width={240}
              value={set?.id ?? BLANK}
              options={[
                [BLANK, words.startBlank],
                ...sets.data.map((one) => [one.id, one.terms.name] as const),
              ]}
              onChange={(chosen) => {
                params.set("terms", chosen === BLANK ? "" : chosen);
                setParams(params, { replace: true });
              }}
            />
          </div>
        </Line>
      )}
      <LicenseForm
        key={[set?.id, ...families.map((family) => family.id)].join()}
        terms={startedFrom(set, start)}
        familyNames={Object.fromEntries(families.map((family) => [family.id, family.name]))}
        saveLabel={words.recordIt}
        onFile={setAgreement}
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

function RecordedLicense({ id }: { id: string }) {
  const license = useGet("/api/licenses/{id}", { path: { id } });
  const { leaf = "allows" } = useParams();
  useGoToHash(license.data !== undefined);
  return license.data && leaf in leafNames ? (
    <OneLicense license={license.data} leaf={leaf as LeafOfLicense} />
  ) : (
    <NotHere
      error={license.error}
      again={() => void license.refetch()}
      all="/licenses"
      allWords={words.all}
    />
  );
}

function OneLicense({ license, leaf }: { license: License; leaf: LeafOfLicense }) {
  const { id, terms } = license;
  const flags = useFlagsOf("license", id);
  const notes = (...parts: Part[]) => (
    <FlagNotes flags={flags.filter((flag) => parts.includes(partOf(flag)))} />
  );
  return (
    <Leaf
      title={terms.name}
      above={<Link to="/licenses">{words.title}</Link>}
      below={[basisWords[terms.basis], terms.spdx, terms.vendor, license.holderName]
        .filter(Boolean)
        .join(", ")}
      leaves={<Leaves label={words.leaves} leaves={leavesOf(id, flags)} />}
    >
      {leaf === "allows" && (
        <>
          <Line>
            <AllowsSentences license={license} />
          </Line>
          <Line notes={notes("rights")}>
            <ActsTable license={license} />
          </Line>
          <Line notes={notes("domains")}>
            <StandingOn id={id} anyDomain={terms.anyDomain} />
          </Line>
          <Line notes={notes("covers", "none")}>
            <CoveredFaces license={license} />
          </Line>
          <Line notes={notes("dates", "agreement")}>
            <DatesAndMoney license={license} />
          </Line>
        </>
      )}
      {leaf === "terms" && <Terms license={license} flags={flags} notes={notes} />}
      {leaf === "history" && (
        <Line>
          <RecordHistory type="license" id={id} />
        </Line>
      )}
    </Leaf>
  );
}

type TermsProps = { license: License; flags: Flag[]; notes: (...parts: Part[]) => ReactNode };

function Terms({ license, flags, notes }: TermsProps) {
  const { id, version, terms, familyNames } = license;
  const { queryKey } = asking("/api/licenses/{id}", { path: { id } });
  const [params] = useSearchParams();
  const mayEdit = useMayEdit();
  const save = useChange({
    of: "license",
    change: (draft: LicenseDraft) =>
      bodyOf(
        api.PUT("/api/licenses/{id}", { params: { path: { id }, header: editing(version) }, body: draft }),
      ),
    said: () => words.saved,
    failed: isStale,
  });
  const keep = useKeep(queryKey, save);
  return (
    <>
      <LicenseForm
        terms={terms}
        version={version}
        recordId={id}
        domain={params.get("domain")}
        hasDocument={license.agreement.length > 0}
        familyNames={familyNames}
        saveLabel={words.save}
        onSave={keep}
        notes={{
          dates: notes("dates"),
          domains: notes("domains"),
          rights: notes("rights"),
          covers: notes("covers"),
        }}
      />
      <Line id="agreement" notes={notes("agreement")}>
        <Documents license={license} />
      </Line>
      <AskTheVendor license={license} questions={flags.filter((flag) => flag.kind === "NOT_STATED")} />
      <Line>
        <div className="in-a-row">
          {mayEdit && <KeepAsSet terms={terms} />}
          <DeleteLicense license={license} />
        </div>
      </Line>
    </>
  );
}
