import Button from "@mui/material/Button";
import { Fragment } from "react";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing } from "../shared/api/client";
import { draftOf } from "../shared/api/drafts";
import { useChange, useGet } from "../shared/api/queries";
import type { PageCheck, RoleOnPages, Site } from "../shared/api/types";
import { Copy } from "../shared/parts/Copy";
import { shortAddress } from "../shared/parts/address";
import { MissingFace } from "./MissingFace";
import {
  deciders,
  faceShown,
  hasOverride,
  looksLike,
  otherwise,
  withOverride,
  type Otherwise,
} from "./roles";
import { measureInWords, roleInWords, triedInWords, whatDecides, words } from "./words";

/** Whether the texts of each role of the site have the face that was chosen for them, and what to write where not. */
export function RolesOnPages({ site, checkId }: { site: Site; checkId: string }) {
  const { data } = useGet("/api/checks/{id}/roles", { path: { id: checkId } });
  const roles = data?.items ?? [];
  return roles.length === 0 ? null : (
    <>
      <h2 className="section" id="roles">
        {words.roles} <small>{words.rolesAre}</small>
      </h2>
      <dl className="facts-list roles-on-pages">
        {roles.map((role) => (
          <Fragment key={role.role}>
            <dt>{role.label}</dt>
            <dd>
              <Role site={site} role={role} />
            </dd>
          </Fragment>
        ))}
      </dl>
    </>
  );
}

/** What a pack that is not deployed yet would make of the text roles, and what it would not change. */
export function TriedPack({ tried }: { tried: NonNullable<PageCheck["tried"]> }) {
  return (
    <>
      <h2 className="section" id="tried">
        {words.tried} <small>{words.triedIs}</small>
      </h2>
      <p className="first">{triedInWords(tried)}</p>
      <dl className="facts-list roles-on-pages">
        {tried.roles
          .filter(({ verdict }) => verdict === "OTHER")
          .map((role) => (
            <Fragment key={role.role}>
              <dt>{role.label}</dt>
              <dd>
                <div>{roleInWords(role)}</div>
                {otherwise(role.shown).map((one) => (
                  <div key={one.key} className="shown-otherwise">
                    <Instead one={one} />
                  </div>
                ))}
              </dd>
            </Fragment>
          ))}
      </dl>
    </>
  );
}

const inks = { AS_ASKED: undefined, OTHER: "rubric", NOT_FOUND: "quiet" };

function Role({ site, role }: { site: Site; role: RoleOnPages }) {
  return (
    <>
      <div className={inks[role.verdict]}>{roleInWords(role)}</div>
      {otherwise(role.shown).map((one) => (
        <Shown key={one.key} site={site} role={role.role} one={one} />
      ))}
    </>
  );
}

/** What texts are shown in instead, and why. */
function Instead({ one: { shown, pages } }: { one: Otherwise }) {
  return (
    <>
      <div>
        <b>{faceShown(shown)}</b> <q>{shown.text}</q>{" "}
        <span className="digest quiet">{pages.map(shortAddress).join(", ")}</span>
      </div>
      {shown.measures.map((measure) => (
        <div key={measure.property}>{measureInWords(measure)}</div>
      ))}
      {deciders(shown).map((winner) => (
        <div key={JSON.stringify(winner)} className="small">
          {whatDecides(winner)} <span className="quiet">{looksLike(winner)}</span>
        </div>
      ))}
      {shown.why !== "" && <div className="small">{shown.why}</div>}
    </>
  );
}

function Shown({ site, role, one }: { site: Site; role: string; one: Otherwise }) {
  const { shown } = one;
  return (
    <div className="shown-otherwise">
      <Instead one={one} />
      <MissingFace site={site} role={role} shown={shown} />
      {shown.override !== null && (
        <div className="override">
          <code>{shown.override}</code> <Copy text={shown.override} />
          {shown.overrideAnywhere === null ? (
            <span className="quiet small">{words.overrideAtEnd}</span>
          ) : (
            <AddOverride site={site} css={shown.overrideAnywhere} />
          )}
        </div>
      )}
    </div>
  );
}

/** Keeps CSS that wins with the site, so that the next pack brings it. */
function AddOverride({ site, css }: { site: Site; css: string }) {
  const mayEdit = useMayEdit();
  const add = useChange({
    of: "site",
    change: () =>
      bodyOf(
        api.PUT("/api/sites/{id}", {
          params: { path: { id: site.id }, header: editing(site.version) },
          body: { ...draftOf(site), delivery: withOverride(site.delivery, css) },
        }),
      ),
    said: () => words.overrideAdded,
  });
  return hasOverride(site.delivery, css) ? (
    <span className="quiet small">{words.overrideThere}</span>
  ) : (
    mayEdit && (
      <Button size="small" disabled={add.isPending} onClick={() => add.mutate()}>
        {words.addOverride}
      </Button>
    )
  );
}
