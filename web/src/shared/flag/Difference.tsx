import type { Flag, WhatIf } from "../api/types";
import { Sign } from "./Sign";
import { changesNothing, wouldCome, wouldGo } from "./words";

/** What a change that is not saved yet would do to the flags. */
export function Difference({ difference: { coming, comes, going, goes } }: { difference: WhatIf }) {
  if (coming + going === 0) {
    return (
      <p className="quiet" role="status">
        {changesNothing}
      </p>
    );
  }
  return (
    <div className="difference" role="status">
      {coming > 0 && <Flags title={wouldCome(coming)} flags={comes} />}
      {going > 0 && <Flags title={wouldGo(going)} flags={goes} gone />}
    </div>
  );
}

function Flags({ title, flags, gone = false }: { title: string; flags: Flag[]; gone?: boolean }) {
  return (
    <>
      <h3>{title}</h3>
      <ul className="plain-list">
        {flags.map((flag) => (
          <li key={flag.id} className={gone ? "quiet" : undefined}>
            {!gone && <Sign group={flag.group} size={15} decoration />} {flag.title}
          </li>
        ))}
      </ul>
    </>
  );
}
