import { Link } from "react-router";
import { usePages } from "../shared/api/queries";
import type { IntakeSummary } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { usePeople } from "../account/session";
import { kB, moment } from "../shared/parts/format";
import { More } from "../shared/parts/More";
import { DropArea } from "./DropArea";
import { stateWords } from "./states";
import { uploadsInWords } from "./words";

export function IntakeListPage() {
  const { items, more, loadingMore } = usePages<IntakeSummary>("/api/intakes?limit=50");
  const intakes = items ?? [];
  const open = intakes.filter(
    (intake) => intake.state === "READING" || intake.state === "REVIEW" || intake.state === "FAILED",
  );
  const done = intakes.filter((intake) => !open.includes(intake));
  return (
    <Leaf title="Intake" margin={false}>
      <Line>
        <DropArea />
        {open.length > 0 && (
          <>
            <h2 className="section">Waiting for you</h2>
            <IntakeTable intakes={open} />
          </>
        )}
        {done.length > 0 && (
          <>
            <h2 className="section">Done</h2>
            <IntakeTable intakes={done} />
          </>
        )}
        <More more={more} loading={loadingMore} />
      </Line>
    </Leaf>
  );
}

function IntakeTable({ intakes }: { intakes: IntakeSummary[] }) {
  const people = usePeople();
  return (
    <table className="sheet">
      <thead>
        <tr>
          <th>Drop</th>
          <th>State</th>
          <th className="number">Files</th>
          <th className="number">Size</th>
          <th>By</th>
          <th>When</th>
        </tr>
      </thead>
      <tbody>
        {intakes.map((intake) => (
          <tr key={intake.id}>
            <td>
              <Link to={`/intake/${intake.id}`}>{uploadsInWords(intake.uploads)}</Link>
            </td>
            <td>{stateWords[intake.state]}</td>
            <td className="number">{intake.files}</td>
            <td className="number">{kB(intake.totalBytes)}</td>
            <td>{people(intake.createdBy)}</td>
            <td>{moment(intake.createdAt)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
