import { memo } from "react";
import { Link } from "react-router";
import { useGet, usePages } from "../shared/api/queries";
import type { Family, Flag } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagIndex } from "../shared/flag/flags";
import { SlotGrid } from "../shared/font/SlotGrid";
import { shownFile } from "../shared/font/slots";
import { useNameStyle } from "../shared/font/storedFont";
import { Line } from "../shared/layout/Leaf";
import { Choice, type Option } from "../shared/parts/Choice";
import { count, isoDay } from "../shared/parts/format";
import { Word } from "../shared/parts/Word";
import { RecordList } from "../shared/parts/RecordList";
import { useNarrowing } from "../shared/parts/useNarrowing";
import {
  AT_ONCE,
  choices,
  filterOf,
  headingOf,
  keyOf,
  narrows,
  paramsOf,
  queryOf,
  type FamilyFilter,
} from "./filter";
import { about, licensedAndUsed, noneFits, words } from "./words";

export function FamilyListPage() {
  const { filter, named, name, onChange } = useNarrowing(filterOf, paramsOf);
  const list = usePages("/api/families", queryOf(filter, name), { keepShown: true });
  const ids = [...new Set(list.items?.map((family) => family.id))];
  const { flagsOf, ready } = useFlagIndex("family", ids, AT_ONCE);
  return (
    <RecordList
      title={words.title}
      below={words.below}
      actions={<Link to="/families/duplicates">{words.duplicates}</Link>}
      filter={named}
      filterLabel={words.filter}
      narrowed={<Sentence filter={filter} onChange={onChange} />}
      list={list}
      ready={ready}
      none={narrows(filter, name) ? noneFits(name) : <NothingHeld />}
      height={92}
      keyOf={keyOf}
      row={(family, index) => {
        const heading = headingOf(filter.group, family, list.items?.[index - 1]);
        return (
          <>
            {heading && (
              <Line>
                <h2 className="section">{heading}</h2>
              </Line>
            )}
            <Row family={family} flags={flagsOf(family.id)} />
          </>
        );
      }}
    />
  );
}

type SentenceProps = { filter: FamilyFilter; onChange: (change: Partial<FamilyFilter>) => void };

/** What narrows the list, as a sentence whose words one can change; not drawn anew for further rows. */
const Sentence = memo(function Sentence({ filter, onChange }: SentenceProps) {
  const foundries = useGet("/api/families/foundries").data ?? [];
  const of = {
    choices,
    filter,
    onChange: (name: keyof typeof choices, value: string) => onChange({ [name]: value }),
  };
  return (
    <div className="sentence" role="group" aria-label={words.which}>
      <Word name="classification" label={words.kind} of={of} />
      <Word name="license" label={words.license} of={of} />
      <Word name="use" label={words.use} of={of} />
      <Word name="lacking" label={words.format} of={of} />
      <Word name="language" label={words.language} of={of} />
      <Word name="variable" label={words.variable} of={of} />
      {foundries.length > 0 && (
        <Choice
          hideLabel
          label={words.foundry}
          value={filter.foundry}
          options={[["", words.anyFoundry], ...foundries.map((one): Option => [one, `by ${one}`])]}
          onChange={(foundry) => onChange({ foundry })}
        />
      )}
      <Word name="group" label={words.group} of={of} />
      <Word name="order" label={words.order} of={of} />
    </div>
  );
});

function NothingHeld() {
  return (
    <>
      The inventory is empty. Drop an archive of fonts on <Link to="/intake">Intake</Link>; what you accept
      there stands here.
    </>
  );
}

/** Drawn anew only when the record or its flags are others. */
const Row = memo(function Row({ family, flags }: { family: Family; flags: readonly Flag[] }) {
  const own = flags.filter((flag) => flag.siteId === "" || flag.kind === "FACE_NOT_HELD");
  const atSites = flags.length - own.length;
  return (
    <Line
      ruled
      notes={
        <>
          <FlagNotes flags={own} most={1} />
          {own.length > 1 && <Others id={family.id} text={`and ${count(own.length - 1, "more flag")}`} />}
          {own.length <= 1 && atSites > 0 && (
            <Others id={family.id} text={`${count(atSites, "flag")} at sites`} />
          )}
        </>
      }
    >
      <div className="family-row">
        <FamilyName family={family} />
        <SlotGrid
          small
          files={family.files}
          asks={family.asks}
          unlicensed={flags.some((flag) => flag.kind === "NO_LICENSE")}
        />
      </div>
    </Line>
  );
});

function Others({ id, text }: { id: string; text: string }) {
  return (
    <div className="others">
      <Link to={`/families/${id}`}>{text}</Link>
    </div>
  );
}

function FamilyName({ family }: { family: Family }) {
  const regular = family.files.filter(
    (file) => file.slot.slope === "upright" && file.slot.weight <= 400 && file.slot.weightMax >= 400,
  );
  const style = useNameStyle(shownFile(regular.length > 0 ? regular : family.files), family.name);
  return (
    <div>
      <Link to={`/families/${family.id}`} className="name" style={style}>
        {family.name}
      </Link>
      <div className="quiet small">
        {about(family)}
        <br />
        {licensedAndUsed(family, isoDay(new Date()))}
      </div>
    </div>
  );
}
