import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useMemo, useState } from "react";
import { useForm } from "react-hook-form";
import { Link } from "react-router";
import { useMayEdit } from "../../shared/account/session";
import { useGet } from "../../shared/api/queries";
import type { Role, Site, SiteWeight } from "../../shared/api/types";
import { FlagNotes } from "../../shared/flag/FlagNote";
import { placeOnSite, useFlagsOf } from "../../shared/flag/flags";
import { Line } from "../../shared/layout/Leaf";
import { Conflict } from "../../shared/parts/Conflict";
import { useUnsaved } from "../../shared/parts/unsaved";
import { useMergedForm } from "../../shared/parts/useMergedForm";
import { SiteLeaf } from "../SiteLeaf";
import { useLatestCheck } from "../useLatestCheck";
import { useKeepSite } from "../useSite";
import { budgetInWords, subsetInWords, roleName, weightInWords } from "../words";
import { AddRole } from "./AddRole";
import { Offers } from "./Offers";
import { Pairing } from "./Pairing";
import { RoleEditor } from "./RoleEditor";
import { Specimen } from "./Specimen";
import { byRole, emptyRole, fieldOf, inOrder, roleInWords, undoneOf, weigh, type RolesByName } from "./roles";
import { blocksOf, faceRules, liveFor, liveOf, type Live, type Mode } from "./specimen";
import { facesOf, useFamilies, useWeight } from "./useWeight";
import { modeWords, words } from "./words";

/** The type of a site: its text roles together as on a page, the faces each asks for, and what they weigh. */
export function TypePage() {
  return <SiteLeaf below={() => words.below}>{(site) => <Type key={site.id} site={site} />}</SiteLeaf>;
}

function Type({ site }: { site: Site }) {
  const keep = useKeepSite(site);
  const mayEdit = useMayEdit();
  const flags = useFlagsOf("site", site.id).filter((flag) => placeOnSite(flag) === "type");
  const recorded = useMemo(() => byRole(site.roles), [site.roles]);
  const form = useForm<RolesByName>({ defaultValues: recorded });
  const { conflict, resolve, saved } = useMergedForm(form, recorded, site.version);
  const { isDirty: changed, isSubmitting } = form.formState;
  useUnsaved(changed && !isSubmitting);
  const roles = inOrder(form.watch());
  const { families, loaded } = useFamilies(roles);
  const { weight, known } = useWeight(site, facesOf(roles));
  const live = useLive(site.id);
  const [open, setOpen] = useState<string | null>(null);
  const [mode, setMode] = useState<Mode>("own");
  const [moved, setMoved] = useState("");
  const set = (role: string, value: Role | null) => {
    if (value === null && !recorded[fieldOf(role)]) {
      form.unregister(fieldOf(role));
    } else {
      form.setValue(fieldOf(role), value, { shouldDirty: true });
    }
  };
  const setAll = (changed: Role[]) => changed.forEach((role) => set(role.role, role));
  const save = form.handleSubmit(async () => {
    if (await keep({ roles: inOrder(form.getValues()).filter((role) => role.familyId !== "") })) {
      saved();
    }
  });
  const page = { name: site.name, words: site.delivery.words };
  const familyOf = (role: Role) => families.find((family) => family.id === role.familyId);
  return (
    <>
      <style>{faceRules(weight, live ?? {})}</style>
      <Line notes={<FlagNotes flags={flags} />}>
        {roles.length === 0 && mayEdit && (
          <Pairing
            blocks={blocksOf([{ role: "HEADINGS" }, { role: "RUNNING_TEXT" }], page)}
            onTake={setAll}
          />
        )}
        {roles.length > 0 && loaded && (
          <p className="answer">
            <Meter weight={known ? weight : undefined} guess={weigh(roles, families)} />
          </p>
        )}
        {weight && undoneOf(weight).length > 0 && (
          <ul className="bare-list ochre">
            {undoneOf(weight).map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        )}
        <Offers site={site} roles={roles} families={families} weight={weight} onTake={setAll} />
        {conflict && (
          <Conflict
            conflict={conflict}
            subjectType="site"
            subjectId={site.id}
            names={Object.fromEntries(
              [...site.roles, ...roles].map(({ role }) => [fieldOf(role), roleName(role)]),
            )}
            words={(_, value) => roleInWords(value as Role | null, families)}
            onMerge={resolve}
          />
        )}
        {roles.length > 0 && (
          <>
            <div className="specimen-choice">
              <span className="quiet">{words.setIn}</span>
              <ToggleButtonGroup
                exclusive
                size="small"
                aria-label={words.setIn}
                value={mode}
                onChange={(_, chosen: Mode | null) => chosen && setMode(chosen)}
              >
                {(Object.keys(modeWords) as Mode[]).map((one) => (
                  <ToggleButton key={one} value={one} disabled={one === "live" && live === undefined}>
                    {modeWords[one]}
                  </ToggleButton>
                ))}
              </ToggleButtonGroup>
            </div>
            <p className="quiet small">
              {moved}{" "}
              {!site.delivery.standIns && <Link to={`/sites/${site.id}/delivery`}>{words.standIns}</Link>}
              {live === undefined && ` ${words.noCheck}`}
            </p>
            <Specimen
              blocks={blocksOf(roles, page)}
              roles={roles}
              mode={mode}
              weight={weight}
              live={live ?? {}}
              open={open}
              onOpen={setOpen}
              faceOf={(role) =>
                mode === "live" && live
                  ? (liveFor(role.role, live)?.name ?? words.notLive)
                  : roleInWords(role, families)
              }
              onMoved={setMoved}
              editor={(role) => (
                <RoleEditor
                  site={site}
                  role={role}
                  family={familyOf(role)}
                  onChange={(edited) => set(role.role, edited)}
                  onRemove={() => set(role.role, null)}
                />
              )}
            />
          </>
        )}
        <div className={changed ? "savebar" : "in-a-row"}>
          {changed && (
            <>
              <Button variant="contained" disabled={!!conflict || isSubmitting} onClick={() => void save()}>
                {words.saveFaces}
              </Button>
              <Button onClick={() => form.reset(recorded)}>{words.discard}</Button>
            </>
          )}
          <AddRole
            taken={roles.map((role) => role.role)}
            onAdd={(role) => {
              set(role, emptyRole(role, roles[0]));
              setOpen(role);
            }}
          />
        </div>
      </Line>
    </>
  );
}

/** What the latest check found the roles painted in; undefined while the pages have not been checked. */
function useLive(siteId: string): Live | undefined {
  const id = useLatestCheck(siteId)?.id;
  const check = useGet("/api/checks/{id}", { path: { id: id ?? "" } }, { enabled: id !== undefined });
  return check.data && liveOf(check.data);
}

type MeterProps = { weight: SiteWeight | undefined; guess: ReturnType<typeof weigh> };

/** The bytes of all chosen faces together, against the budget; a guess until they are known. */
function Meter({ weight, guess }: MeterProps) {
  if (!weight) {
    return weightInWords(guess);
  }
  const over = weight.budget !== null && weight.bytes > weight.budget;
  return (
    <>
      {weightInWords({ faces: guess.faces, bytes: weight.bytes, guessed: false })}{" "}
      {weight.budget !== null && <span className={over ? "rubric" : undefined}>{budgetInWords(weight)}</span>}{" "}
      {subsetInWords(weight)}
    </>
  );
}
