import { NavLink, Outlet } from "react-router";
import { openOf, useCounts } from "../../flag/flags";
import { SearchBox } from "../../search/SearchBox";
import { useOne } from "../api/queries";
import type { Who } from "../api/types";
import { Shortcuts } from "./Shortcuts";
import { Wordmark } from "./Wordmark";

/** The rail with the places in the order of the work, and the place one is in. */
export function Frame({ who }: { who: Who }) {
  const counts = useCounts();
  const waiting = useOne<{ intakes: number }>("/api/intakes/waiting").data?.intakes ?? 0;
  return (
    <div className="frame">
      <div className="rail">
        <NavLink to="/" className="rail-word" aria-label="Unciala, today">
          <Wordmark height={33} />
        </NavLink>
        <SearchBox />
        <nav aria-label="Places">
          <Place to="/" name="Today" end />
          <Place to="/intake" name="Intake" count={waiting} />
          <Place to="/families" name="Families" />
          <Place to="/licenses" name="Licenses" />
          <Place to="/sites" name="Sites" />
          <Place to="/flags" name="Flags" count={counts && openOf(counts)} />
        </nav>
        <nav aria-label="Apart" className="rail-minor">
          <Place to="/history" name="History" />
          <Place to="/people" name="People" />
          <Place to="/settings" name={who.displayName} />
        </nav>
      </div>
      <Outlet />
      <Shortcuts />
    </div>
  );
}

function Place({ to, name, count, end }: { to: string; name: string; count?: number; end?: boolean }) {
  return (
    <NavLink to={to} end={end} className={({ isActive }) => (isActive ? "rail-place active" : "rail-place")}>
      {name}
      {count ? <small>{count.toLocaleString()}</small> : null}
    </NavLink>
  );
}
