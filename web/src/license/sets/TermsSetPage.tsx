import { Link, useParams } from "react-router";
import { api, bodyOf, editing, isStale } from "../../shared/api/client";
import { asking, useChange, useGet } from "../../shared/api/queries";
import { useKeep } from "../../shared/api/useKeep";
import type { LicenseDraft, TermsSet } from "../../shared/api/types";
import { Leaf, Line } from "../../shared/layout/Leaf";
import { NotHere } from "../../shared/states/NotHere";
import { LicenseForm } from "../LicenseForm";
import { words } from "./words";

/** One set of terms: what it allows, and its terms to change. */
export function TermsSetPage() {
  const { id = "" } = useParams();
  const set = useGet("/api/terms/{id}", { path: { id } });
  return set.data ? (
    <OneSet key={id} set={set.data} />
  ) : (
    <NotHere error={set.error} again={() => void set.refetch()} all="/licenses/terms" allWords={words.all} />
  );
}

function OneSet({ set: { id, version, terms, allows } }: { set: TermsSet }) {
  const { queryKey } = asking("/api/terms/{id}", { path: { id } });
  const save = useChange({
    of: "terms",
    change: (draft: LicenseDraft) =>
      bodyOf(api.PUT("/api/terms/{id}", { params: { path: { id }, header: editing(version) }, body: draft })),
    said: () => words.saved,
    failed: isStale,
  });
  const keep = useKeep(queryKey, save);
  return (
    <Leaf title={terms.name} above={<Link to="/licenses/terms">{words.title}</Link>} below={words.editBelow}>
      <Line>
        <p className="lede">{allows.join(" ")}</p>
      </Line>
      <LicenseForm
        ofSet
        terms={terms}
        version={version}
        recordType="terms"
        recordId={id}
        familyNames={{}}
        saveLabel={words.save}
        notes={{}}
        onSave={keep}
      />
    </Leaf>
  );
}
