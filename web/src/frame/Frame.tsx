import { lazy, Suspense } from "react";
import { ErrorBoundary } from "react-error-boundary";
import { NavLink, Outlet, ScrollRestoration, useLocation } from "react-router";
import type { Who } from "../shared/api/types";
import { useGet } from "../shared/api/queries";
import { openOf, useCounts } from "../shared/flag/flags";
import { number } from "../shared/parts/format";
import { Wordmark } from "../shared/layout/Wordmark";
import { ServerAway } from "./ServerAway";
import { PageFailure } from "./PageFailure";
import { DropGuard } from "./DropGuard";
import { Keys } from "./Keys";
import { places, words } from "./words";

// What is not needed to show a page is loaded beside it.
const SearchBox = lazy(async () => ({ default: (await import("../search/SearchBox")).SearchBox }));
const BeforeLeaving = lazy(async () => ({ default: (await import("./BeforeLeaving")).BeforeLeaving }));
const SessionEnded = lazy(async () => ({ default: (await import("./SessionEnded")).SessionEnded }));

/** The rail with the places in the order of the work, and the place one is in. */
export function Frame({ who }: { who: Who }) {
  const { pathname } = useLocation();
  const flags = useCounts();
  const waiting = useGet("/api/intakes/waiting").data?.intakes;
  const counts: Record<string, number | undefined> = {
    "/intake": waiting,
    "/flags": flags && openOf(flags),
  };
  return (
    <div className="frame">
      <a className="skip" href="#content">
        {words.skip}
      </a>
      <div className="rail">
        <NavLink to="/" className="rail-word" aria-label={words.home}>
          <Wordmark />
        </NavLink>
        <Suspense fallback={<div className="rail-search" />}>
          <SearchBox />
        </Suspense>
        <nav aria-label={words.places}>
          {places.map(({ to, name }) => (
            <Place key={to} to={to} name={name} count={counts[to]} />
          ))}
        </nav>
        <nav aria-label={words.apart} className="rail-minor">
          <Place to="/history" name="History" />
          <Place to="/people" name="People" />
          <Place to="/settings" name={who.displayName} />
          <Keys />
        </nav>
      </div>
      <div className="page">
        <ServerAway />
        <ErrorBoundary FallbackComponent={PageFailure} resetKeys={[pathname]}>
          <Outlet />
        </ErrorBoundary>
      </div>
      <Suspense>
        <SessionEnded who={who} />
        <BeforeLeaving />
      </Suspense>
      <DropGuard />
      <ScrollRestoration />
    </div>
  );
}

function Place({ to, name, count }: { to: string; name: string; count?: number }) {
  return (
    <NavLink
      to={to}
      end={to === "/"}
      className={({ isActive }) => (isActive ? "rail-place active" : "rail-place")}
    >
      {name}
      {count ? <small>{number(count)}</small> : null}
    </NavLink>
  );
}
