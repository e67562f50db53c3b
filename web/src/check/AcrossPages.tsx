import { Fragment } from "react";
import Button from "@mui/material/Button";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing } from "../shared/api/client";
import { draftOf } from "../shared/api/drafts";
import { useChange } from "../shared/api/queries";
import type { PackOnHost, PageCheck, Role, Site } from "../shared/api/types";
import { day, listed } from "../shared/parts/format";
import { shortAddress } from "../shared/parts/address";
import { fileName } from "./pages";
import { kindOf, placedRuleInWords, placedInWords, thirdPartyInWords, roleAdded, words } from "./words";

/** What changed since the check before, if there was one. */
export function Changes({ check }: { check: PageCheck }) {
  const { appeared, gone } = check.changes;
  if (check.changedSince === null) {
    return null;
  }
  return (
    <>
      <h2 className="section">
        {words.changes} <small>{day(check.changedSince)}</small>
      </h2>
      {appeared.length + gone.length === 0 && <p className="quiet first">{words.noChange}</p>}
      <Said title={words.gone} said={gone} className="allowed" />
      <Said title={words.appeared} said={appeared} className="rubric" />
    </>
  );
}

type SaidOf = { title: string; said: PageCheck["changes"]["gone"]; className: string };

function Said({ title, said, className }: SaidOf) {
  return said.length === 0 ? null : (
    <ul className="bare-list check-changes" aria-label={title}>
      {said.slice(0, 20).map((one) => (
        <li key={one.page + one.kind + one.message}>
          <b className={className}>{title}</b> {kindOf(one)}: {one.message}{" "}
          <span className="digest quiet">{shortAddress(one.page)}</span>
        </li>
      ))}
    </ul>
  );
}

/** Hosts that are no part of the site and learn who visits it. */
export function HostsOfOthers({ hosts }: { hosts: PageCheck["thirdParties"] }) {
  return (
    <>
      <h2 className="section">
        {words.thirdParties} <small>{words.thirdPartiesAre}</small>
      </h2>
      <ul className="bare-list">
        {hosts.map((other) => (
          <li key={other.host}>
            <b>{other.host}</b> <span>{thirdPartyInWords(other)}</span>{" "}
            <span className="digest quiet">
              {[...other.styleSheets, ...other.fonts, ...other.scripts].map(fileName).join(", ")}
            </span>
          </li>
        ))}
      </ul>
      <p className="quiet small">{words.thirdPartyOwn}</p>
    </>
  );
}

/** What texts of each role are painted in. */
export function UsedRoles({ site, used }: { site: Site; used: PageCheck["used"] }) {
  const mayEdit = useMayEdit();
  const add = useChange({
    of: "site",
    change: (role: Role) => {
      return bodyOf(
        api.PUT("/api/sites/{id}", {
          params: { path: { id: site.id }, header: editing(site.version) },
          body: { ...draftOf(site), roles: [...site.roles, role] },
        }),
      );
    },
    said: (_, role) => roleAdded(role),
  });
  return used.length === 0 ? null : (
    <>
      <h2 className="section">
        {words.used} <small>{words.usedIs}</small>
      </h2>
      <dl className="facts-list">
        {used.map((role) => (
          <Fragment key={role.role}>
            <dt>{role.label}</dt>
            <dd>
              {listed(role.faces)}{" "}
              {mayEdit && role.proposed && (
                <Button
                  size="small"
                  disabled={add.isPending}
                  onClick={() => role.proposed && add.mutate(role.proposed)}
                >
                  {words.addRole}
                </Button>
              )}
            </dd>
          </Fragment>
        ))}
      </dl>
    </>
  );
}

function placedInk(state: string): string | undefined {
  return state === "SAME" || state === "OLDER" ? undefined : state === "WRONG" ? "rubric" : "ochre";
}

/** The files of the latest pack against what the pages fetch. */
export function PlacedPack({ pack }: { pack: PackOnHost }) {
  return (
    <>
      <h2 className="section">
        {words.pack} <small>{day(pack.madeAt)}</small>
      </h2>
      <ul className="bare-list pack-files">
        {pack.files.map((file) => (
          <li key={file.path} className={placedInk(file.state)}>
            <span className="digest">{file.path}</span> <span>{placedInWords(file)}</span>
            {file.rules.map((rule) => (
              <div key={rule.line} className="placed-rule">
                <code>{rule.rule}</code>
                <div className="quiet small">{placedRuleInWords(rule)}</div>
                {rule.found !== null && <code>{rule.found}</code>}
              </div>
            ))}
          </li>
        ))}
      </ul>
    </>
  );
}
