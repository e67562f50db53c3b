import { memo } from "react";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { usePages } from "../shared/api/queries";
import type { Flag, License } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagIndex } from "../shared/flag/flags";
import { Line } from "../shared/layout/Leaf";
import { money } from "../shared/parts/format";
import { RecordList, useFilter } from "../shared/parts/RecordList";
import { DueList } from "./DueList";
import { LicenseLeaves } from "./LicenseLeaves";
import { Months, Track } from "./TimeLine";
import { basisWords, noneWith, words } from "./words";

const AT_ONCE = 40;

/** All licenses as bars over the coming eighteen months, soonest end first. */
export function LicenseListPage() {
  const mayEdit = useMayEdit();
  const filter = useFilter();
  const list = usePages(
    "/api/licenses",
    { order: "ends", limit: AT_ONCE, name: filter.words || undefined },
    { keepShown: true },
  );
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
      filter={filter}
      filterLabel={words.filter}
      list={list}
      ready={ready}
      none={filter.words ? noneWith(filter.words) : words.none}
      above={<DueList />}
      head={<Months />}
      height={64}
      row={(license) => <Row license={license} flags={flagsOf(license.id)} />}
    />
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
