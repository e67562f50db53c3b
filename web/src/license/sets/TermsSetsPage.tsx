import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useMayEdit } from "../../shared/account/session";
import { api, bodyOf, editing } from "../../shared/api/client";
import { useChange, useGet } from "../../shared/api/queries";
import type { TermsSet } from "../../shared/api/types";
import { Leaf, Line } from "../../shared/layout/Leaf";
import { Shown } from "../../shared/states/States";
import { LicenseLeaves } from "../LicenseLeaves";
import { basisWords } from "../words";
import { words } from "./words";

/** The sets of terms that licenses start from, each with what it allows. */
export function TermsSetsPage() {
  const sets = useGet("/api/terms");
  return (
    <Leaf title={words.title} below={words.below} leaves={<LicenseLeaves />}>
      {!sets.data && (
        <Line>
          <Shown of={sets}>{() => null}</Shown>
        </Line>
      )}
      {sets.data?.length === 0 && (
        <Line>
          <p className="quiet">{words.none}</p>
        </Line>
      )}
      {sets.data?.map((set) => (
        <Line key={set.id} ruled>
          <OneSet set={set} />
        </Line>
      ))}
    </Leaf>
  );
}

function OneSet({ set: { id, version, terms, allows } }: { set: TermsSet }) {
  const mayEdit = useMayEdit();
  const remove = useChange({
    of: "terms",
    change: () =>
      bodyOf(api.DELETE("/api/terms/{id}", { params: { path: { id }, header: editing(version) } })),
    said: (gone) => ({ text: `Deleted “${terms.name}”.`, undo: gone.historyId }),
  });
  return (
    <section className="terms-set" aria-label={terms.name}>
      <h2>
        <Link to={`/licenses/terms/${id}`}>{terms.name}</Link>{" "}
        <small className="quiet">{[basisWords[terms.basis], terms.vendor].filter(Boolean).join(", ")}</small>
      </h2>
      <p>{allows.join(" ")}</p>
      {mayEdit && (
        <div className="in-a-row">
          <Link className="act" to={`/licenses/new?terms=${id}`}>
            {words.start}
          </Link>
          <Button
            size="small"
            disabled={remove.isPending}
            aria-label={`${words.deleteThis} “${terms.name}”`}
            onClick={() => remove.mutate(undefined)}
          >
            {words.delete}
          </Button>
        </div>
      )}
    </section>
  );
}
