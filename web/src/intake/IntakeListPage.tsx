import { Link, useSearchParams } from "react-router";
import { useMayEdit, usePeople } from "../shared/account/session";
import { useGet, usePages } from "../shared/api/queries";
import type { IntakeSummary } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { kB, moment, number } from "../shared/parts/format";
import { More } from "../shared/parts/More";
import { uploadsInWords } from "../shared/parts/uploads";
import { useRovingFocus } from "../shared/parts/useRovingFocus";
import { Shown } from "../shared/states/States";
import { DropArea } from "./DropArea";
import { stateWords, wanted, words } from "./words";

const waits: IntakeSummary["state"][] = ["READING", "REVIEW", "FAILED"];

export function IntakeListPage() {
  const { items, error, again, more, loadingMore } = usePages("/api/intakes", { limit: 50 });
  const mayEdit = useMayEdit();
  const asked = useAsked();
  return (
    <Leaf title={words.title}>
      <Line>
        {asked && <p className="answer">{wanted(asked)}</p>}
        {mayEdit && <DropArea flag={asked?.id} />}
      </Line>
      <Line>
        <Shown of={{ data: items, error, refetch: again }}>
          {(intakes) =>
            intakes.length === 0 ? (
              <p className="quiet">{words.none}</p>
            ) : (
              <>
                <IntakeTable
                  title={words.waiting}
                  intakes={intakes.filter((one) => waits.includes(one.state))}
                />
                <IntakeTable
                  title={words.done}
                  intakes={intakes.filter((one) => !waits.includes(one.state))}
                />
              </>
            )
          }
        </Shown>
        <More more={more} loading={loadingMore} />
      </Line>
    </Leaf>
  );
}

/** The flag that led here, which the drop is to answer. */
function useAsked() {
  const [params] = useSearchParams();
  const id = params.get("flag");
  return useGet("/api/flags/{id}", { path: { id: id ?? "" } }, { enabled: id !== null }).data;
}

function IntakeTable({ title, intakes }: { title: string; intakes: IntakeSummary[] }) {
  const people = usePeople();
  const walk = useRovingFocus<HTMLDivElement>();
  return intakes.length === 0 ? null : (
    <>
      <h2 className="section">{title}</h2>
      <div className="scrolled" ref={walk}>
        <table className="sheet">
          <thead>
            <tr>
              <th>{words.drop}</th>
              <th>{words.state}</th>
              <th className="number">{words.files}</th>
              <th className="number">{words.size}</th>
              <th>{words.by}</th>
              <th>{words.when}</th>
            </tr>
          </thead>
          <tbody>
            {intakes.map((intake) => (
              <tr key={intake.id} data-row>
                <td>
                  <Link to={`/intake/${intake.id}`}>{uploadsInWords(intake.uploads)}</Link>
                </td>
                <td>{stateWords[intake.state]}</td>
                <td className="number">{number(intake.files)}</td>
                <td className="number">{kB(intake.totalBytes)}</td>
                <td>{people(intake.createdBy)}</td>
                <td>{moment(intake.createdAt)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
