import { Link } from "react-router";
import { useList } from "../shared/api/queries";
import type { IntakeSummary } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count, kB, moment } from "../shared/parts/format";
import { DropArea } from "./DropArea";
import { stateWords } from "./states";

export function IntakeListPage() {
  const intakes = useList<IntakeSummary>("/api/intakes").data ?? [];
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
      </Line>
    </Leaf>
  );
}

function IntakeTable({ intakes }: { intakes: IntakeSummary[] }) {
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
            <td>{intake.createdBy}</td>
            <td>{moment(intake.createdAt)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export function uploadsInWords(uploads: string[]): string {
  const [first = "", ...rest] = uploads;
  return rest.length === 0 ? first : `${first} and ${count(rest.length, "more file")}`;
}
