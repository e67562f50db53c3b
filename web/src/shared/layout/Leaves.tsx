import { NavLink } from "react-router";
import { count } from "../parts/format";

export type LeafLink = { to: string; name: string; flags: number };

/** A leaf whose address the others’ begin with is the current one only at that very address. */
function isAbove(to: string, leaves: LeafLink[]): boolean {
  return leaves.some((other) => other.to.startsWith(`${to}/`));
}

/** The leaves that a record is divided into, one word each, with how many flags stand there. */
export function Leaves({ label, leaves }: { label: string; leaves: LeafLink[] }) {
  return (
    <nav className="leaves" aria-label={label}>
      {leaves.map(({ to, name, flags }) => (
        <NavLink key={to} to={to} end={isAbove(to, leaves)} preventScrollReset>
          {name}{" "}
          {flags > 0 && (
            <span className="leaf-flags" title={count(flags, "flag")}>
              {flags} <span className="for-readers">{flags === 1 ? "flag" : "flags"}</span>
            </span>
          )}
        </NavLink>
      ))}
    </nav>
  );
}
