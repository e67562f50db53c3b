import { memo } from "react";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { usePages } from "../shared/api/queries";
import type { Flag, License } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagIndex } from "../shared/flag/flags";
import { Line } from "../shared/layout/Leaf";
import { Choice } from "../shared/parts/Choice";
import { money } from "../shared/parts/format";
import { RecordList } from "../shared/parts/RecordList";
import { useClients } from "../shared/parts/useClients";
import { useNarrowing } from "../shared/parts/useNarrowing";
import { Word } from "../shared/parts/Word";
import { DueList } from "./DueList";
import { choices, filterOf, narrows, paramsOf, queryOf, type LicenseFilter } from "./filter";
import { LicenseLeaves } from "./LicenseLeaves";
import { Months, Track } from "./TimeLine";
import { basisWords, heldBy, noneFits, words } from "./words";

const AT_ONCE = 40;
/** Stands for the agency where a holder is named. */
const AGENCY = "agency";

/** All licenses as bars over the coming eighteen months, soonest end first. */
export function LicenseListPage() {
  const mayEdit = useMayEdit();
  const { filter, named, name, onChange } = useNarrowing(filterOf, paramsOf);
  const list = usePages("/api/licenses", queryOf(filter, name, AT_ONCE), { keepShown: true });
  const { flagsOf, ready } = useFlagIndex("license", list.items?.map((license) => license.id) ?? [], AT_ONCE);
  return (
    <RecordList
      title={words.title}
      below={words.below}
      leaves={<LicenseLeaves />}
      actions={
        mayEdit && (
          <Button component={Link} to="/licenses/new" variant="outlined">
            {words.record}
          </Button>
        )
      }
      filter={named}
      filterLabel={words.filter}
      narrowed={<Sentence filter={filter} onChange={onChange} />}
      list={list}
      ready={ready}
      none={narrows(filter, name) ? noneFits(name) : words.none}
      above={<DueList />}
      head={<Months />}
      height={64}
      row={(license) => <Row license={license} flags={flagsOf(license.id)} />}
    />
  );
}

type SentenceProps = { filter: LicenseFilter; onChange: (change: Partial<LicenseFilter>) => void };

/** What narrows the list, as a sentence whose words one can change. */
function Sentence({ filter, onChange }: SentenceProps) {
  const clients = useClients().data ?? [];
  const of = { choices, filter, onChange: (name: string, value: string) => onChange({ [name]: value }) };
  return (
    <div className="sentence" role="group" aria-label={words.which}>
      <Word name="basis" label={words.basis} of={of} />
      <Word name="state" label={words.state} of={of} />
      <Choice
        hideLabel
        label={words.holder}
        value={filter.holder}
        options={[
          ["", words.heldByAnyone],
          [AGENCY, words.heldByAgency],
          ...clients.map((client) => [client.id, heldBy(client.name)] as const),
        ]}
        onChange={(holder) => onChange({ holder })}
      />
    </div>
  );
}

/** Drawn anew only when the record or its flags are others. */
const Row = memo(function Row({ license, flags }: { license: License; flags: readonly Flag[] }) {
  const ended = flags.filter((flag) => flag.kind === "LICENSE_ENDED").slice(0, 1);
  const { name, basis, price, currency } = license.terms;
  return (
    <Line
      ruled
      notes={<FlagNotes flags={flags.filter((flag) => flag.siteId === "").concat(ended)} most={1} />}
    >
      <div className="timeline">
        <div className="who">
          <Link to={`/licenses/${license.id}`}>{name}</Link>
          <div className="quiet small">
            {[basisWords[basis], money(price, currency)].filter(Boolean).join(", ")}
          </div>
        </div>
        <Track license={license} />
      </div>
    </Line>
  );
});
