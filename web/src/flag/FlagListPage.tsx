import { Link, useSearchParams } from "react-router";
import { usePresentPeople, useWho } from "../shared/account/session";
import { useGet } from "../shared/api/queries";
import { filterOf, gatheredQuery, paramsOf, useCounts, type FlagFilter } from "../shared/flag/flags";
import { GatheredEntry } from "../shared/flag/GatheredEntry";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Choice, type Option } from "../shared/parts/Choice";
import { Word } from "../shared/parts/Word";
import { useRovingFocus } from "../shared/parts/useRovingFocus";
import { Shown } from "../shared/states/States";
import { choices, onlyFirst, summary, words } from "./words";

const MOST = 100;

/** All flags, gathered by what they have in common; what is looked for is one sentence, and the address. */
export function FlagListPage() {
  const counts = useCounts();
  const [params, setParams] = useSearchParams();
  const filter = filterOf(params);
  const entries = useGet("/api/flags/gathered", { query: gatheredQuery(filter, MOST) });
  const walk = useRovingFocus<HTMLDivElement>();
  const set = (change: Partial<FlagFilter>) =>
    setParams(paramsOf({ ...filter, ...change }), { replace: true, preventScrollReset: true });
  return (
    <Leaf title={words.title} margin={false} below={counts && summary(counts)}>
      <Line>
        <Sentence filter={filter} onChange={set} />
      </Line>
      <div ref={walk}>
        <Shown of={entries} lines={8}>
          {(found) => (
            <>
              {found.length === 0 && (
                <Line>
                  <p className="empty">{words.noneFits}</p>
                </Line>
              )}
              {found.map((entry) => (
                <Line key={`${entry.by} ${entry.key}`}>
                  <GatheredEntry entry={entry} filter={filter} opened={found.length === 1} />
                </Line>
              ))}
              {found.length === MOST && (
                <Line>
                  <p className="quiet">
                    {onlyFirst(
                      MOST,
                      found.reduce((sum, entry) => sum + entry.count, 0),
                    )}
                  </p>
                </Line>
              )}
            </>
          )}
        </Shown>
      </div>
    </Leaf>
  );
}

type SentenceProps = { filter: FlagFilter; onChange: (change: Partial<FlagFilter>) => void };

/** The filter as a sentence whose words one can change. */
function Sentence({ filter, onChange }: SentenceProps) {
  const people = usePresentPeople();
  const me = useWho().data?.name;
  const narrowed = filter.site || filter.family || filter.license;
  const persons = people.map((one): Option => [one.name, one.name === me ? "me" : one.displayName]);
  const of = {
    choices,
    filter,
    onChange: (name: keyof typeof choices, value: string) => onChange({ [name]: value }),
  };
  return (
    <div className="sentence" role="group" aria-label={words.which}>
      <Word name="state" label="State" of={of} />
      <Word name="group" label="Group" of={of} />
      <Word name="severity" label="Gravity" of={of} />
      <span>{words.handedTo}</span>
      <Choice
        hideLabel
        label="Person"
        value={filter.person}
        options={[["", "anyone or no one"], ...persons]}
        onChange={(person) => onChange({ person })}
      />
      <span>{words.gatheredBy}</span>
      <Word name="by" label="Grouped by" of={of} />
      <Word name="order" label="Order" of={of} />
      {narrowed && <Link to="/flags">{words.narrowed}</Link>}
    </div>
  );
}
