import { Fragment } from "react";
import { useGet } from "../shared/api/queries";
import type { RoleOnPages } from "../shared/api/types";
import { Copy } from "../shared/parts/Copy";
import { shortAddress } from "../shared/parts/address";
import { faceShown, otherwise, type Otherwise } from "./roles";
import { roleInWords, whatDecides, words } from "./words";

/** Whether the texts of each role of the site have the face that was chosen for them, and what to write where not. */
export function RolesOnPages({ checkId }: { checkId: string }) {
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
              <Role role={role} />
            </dd>
          </Fragment>
        ))}
      </dl>
    </>
  );
}

const inks = { AS_ASKED: undefined, OTHER: "rubric", NOT_FOUND: "quiet" };

function Role({ role }: { role: RoleOnPages }) {
  return (
    <>
      <div className={inks[role.verdict]}>{roleInWords(role)}</div>
      {otherwise(role.shown).map((one) => (
        <Shown key={one.key} one={one} />
      ))}
    </>
  );
}

function Shown({ one }: { one: Otherwise }) {
  const { shown } = one;
  return (
    <div className="shown-otherwise">
      <div>
        <b>{faceShown(shown)}</b> <q>{shown.text}</q>{" "}
        <span className="digest quiet">{one.pages.map(shortAddress).join(", ")}</span>
      </div>
      {shown.winner && <div className="small">{whatDecides(shown.winner)}</div>}
      {shown.why !== "" && <div className="small">{shown.why}</div>}
      {shown.override !== null && (
        <div className="override">
          <code>{shown.override}</code> <Copy text={shown.override} />
        </div>
      )}
    </div>
  );
}
