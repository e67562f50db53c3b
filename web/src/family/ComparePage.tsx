import { Link, useParams, useSearchParams } from "react-router";
import { useGet } from "../shared/api/queries";
import type { Family, HeldFile } from "../shared/api/types";
import { FontComparison } from "../shared/font/FontComparison";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Choice, type Option } from "../shared/parts/Choice";
import { baseName, formatName } from "../shared/parts/format";
import { NotHere } from "../shared/states/NotHere";
import { Shown } from "../shared/states/States";
import { counterpart, whatASwapChanges } from "./compare";
import { words } from "./words";

/** Two files of a family, or one with the version that it took the place of, and what putting one for the other changes. */
export function ComparePage() {
  const { id = "" } = useParams();
  const family = useGet("/api/families/{id}", { path: { id } });
  const superseded = useGet("/api/families/{id}/superseded", { path: { id } });
  return family.data && superseded.data ? (
    <Compare family={family.data} superseded={superseded.data} />
  ) : (
    <NotHere
      error={family.error ?? superseded.error}
      again={() => void family.refetch()}
      all="/families"
      allWords={words.all}
    />
  );
}

function Compare({ family, superseded }: { family: Family; superseded: HeldFile[] }) {
  const [params, setParams] = useSearchParams();
  const all = family.files.concat(superseded);
  const one = all.find((file) => file.id === params.get("one")) ?? family.files[0];
  const other = all.find((file) => file.id === params.get("other")) ?? (one && counterpart(one, all));
  const choose = (side: "one" | "other") => (file: string) =>
    setParams({ one: one?.id ?? "", other: other?.id ?? "", [side]: file }, { replace: true });
  const options: Option[] = all.map((file) => [file.id, fileInWords(file, superseded)]);
  return (
    <Leaf
      title={words.compareTitle}
      above={<Link to={`/families/${family.id}/files`}>{family.name}</Link>}
      below={one && other && whatASwapChanges(family, one)}
    >
      <Line>
        {one && other ? (
          <>
            <div className="sentence">
              <Choice
                hideLabel
                label={words.first}
                value={one.id}
                options={options}
                onChange={choose("one")}
              />
              {words.with}
              <Choice
                hideLabel
                label={words.second}
                value={other.id}
                options={options}
                onChange={choose("other")}
              />
            </div>
            <Difference one={one} other={other} />
          </>
        ) : (
          <p className="quiet">{words.nothingToCompare}</p>
        )}
      </Line>
    </Leaf>
  );
}

function Difference({ one, other }: { one: HeldFile; other: HeldFile }) {
  const path = { sha256: one.sha256, other: other.sha256 };
  const difference = useGet("/api/files/{sha256}/compare/{other}", { path });
  return (
    <Shown of={difference} lines={9}>
      {(of) => (
        <FontComparison
          of={of}
          one={{ name: baseName(one.fileName), font: `/api/files/${one.sha256}` }}
          other={{ name: baseName(other.fileName), font: `/api/files/${other.sha256}` }}
        />
      )}
    </Shown>
  );
}

function fileInWords(file: HeldFile, superseded: HeldFile[]): string {
  const gone = superseded.includes(file) ? `, ${words.superseded.toLowerCase()}` : "";
  return `${file.slot.label}: ${baseName(file.fileName)}, ${formatName(file.format)}${gone}`;
}
