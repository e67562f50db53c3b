import type { FileRow } from "../shared/api/types";

/** What a file says of itself, source by source, and which of it was believed. */
export function EvidenceOf({ row }: { row: FileRow }) {
  return (
    <dl className="evidence">
      {row.evidence.map((item) => (
        <Fact key={item.source + item.says} name={item.source} says={item.says}>
          {item.agrees ? (
            <span className="quiet">agrees</span>
          ) : (
            <b className="ochre">disagrees{item.settled && ` with ${item.settled}`}</b>
          )}
        </Fact>
      ))}
      <Fact name="Embedding" says={row.embedding} />
      <Fact name="Version" says={row.version || "not stated"} />
      <Fact name="License in the file" says={row.license || "none"} />
      <Fact name="SHA-256" says={row.sha256} className="digest breaks" />
    </dl>
  );
}

function Fact(props: { name: string; says: string; className?: string; children?: React.ReactNode }) {
  return (
    <div>
      <dt>{props.name}</dt>
      <dd className={props.className}>
        {props.says} {props.children}
      </dd>
    </div>
  );
}
