import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useForm } from "react-hook-form";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { asking } from "../shared/api/queries";
import type { Family, Role, Site, SiteWeight } from "../shared/api/types";
import { Conflict } from "../shared/parts/Conflict";
import { useUnsaved } from "../shared/parts/unsaved";
import { useMergedForm } from "../shared/parts/useMergedForm";
import { RoleEditor } from "./RoleEditor";
import { byRole, inOrder, roleInWords, undoneOf, weigh, type RolesByName } from "./roles";
import { budgetInWords, cutInWords, roleWords, weightInWords, words } from "./words";

const allRoles = Object.keys(roleWords) as Role["role"][];

type Props = { site: Site; onSave: (roles: Role[]) => Promise<boolean> };

/** The text roles of a site and the faces each asks for, with what they weigh adding up. */
export function SiteRoles({ site, onSave }: Props) {
  const recorded = useMemo(() => byRole(site.roles), [site.roles]);
  const form = useForm<RolesByName>({ defaultValues: recorded });
  const { conflict, resolve, saved } = useMergedForm(form, recorded, site.version);
  const roles = inOrder(form.watch());
  const { families, loaded } = useFamilies(roles);
  const weight = useWeight(site, roles);
  const { isDirty: changed, isSubmitting } = form.formState;
  useUnsaved(changed && !isSubmitting);
  const set = (role: Role["role"], value: Role | null) => form.setValue(role, value, { shouldDirty: true });
  const save = form.handleSubmit(async () => {
    if (await onSave(inOrder(form.getValues()).filter((role) => role.familyId !== ""))) {
      saved();
    }
  });
  return (
    <>
      <h2 className="section">
        {words.faces} <small>{loaded && <Meter weight={weight} guess={weigh(roles, families)} />}</small>
      </h2>
      {weight && undoneOf(weight).length > 0 && (
        <ul className="bare-list ochre">
          {undoneOf(weight).map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
      )}
      {conflict && (
        <Conflict
          conflict={conflict}
          subjectType="site"
          subjectId={site.id}
          names={roleWords}
          words={(_, value) => roleInWords(value as Role | null, families)}
          onMerge={resolve}
        />
      )}
      {roles.map((role) => (
        <RoleEditor
          key={role.role}
          role={role}
          family={families.find((family) => family.id === role.familyId)}
          onChange={(edited) => set(role.role, edited)}
          onRemove={() => set(role.role, null)}
        />
      ))}
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
          free={allRoles.filter((role) => !roles.some((one) => one.role === role))}
          onAdd={(role) =>
            set(role, {
              role,
              familyId: roles[0]?.familyId ?? "",
              generic: roles[0]?.generic ?? "SANS_SERIF",
              faces: [],
              selector: "",
              size: "",
              lineHeight: "",
              letterSpacing: "",
            })
          }
        />
      </div>
    </>
  );
}

/** What the chosen faces weigh as a pack would deliver them; nothing until the server has made them. */
function useWeight(site: Site, roles: Role[]): SiteWeight | undefined {
  const faces = roles.flatMap(({ familyId, faces }) => faces.map((slot) => ({ familyId, slot })));
  return useQuery({
    queryKey: [
      "/api/sites/{id}/weight",
      site.id,
      site.version,
      faces.map((face) => face.familyId + face.slot.key),
    ],
    queryFn: () =>
      bodyOf(api.POST("/api/sites/{id}/weight", { params: { path: { id: site.id } }, body: { faces } })),
    enabled: faces.length > 0,
    placeholderData: keepPreviousData,
  }).data;
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
      {cutInWords(weight)}
    </>
  );
}

function AddRole({ free, onAdd }: { free: Role["role"][]; onAdd: (role: Role["role"]) => void }) {
  const mayEdit = useMayEdit();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return mayEdit && free.length > 0 ? (
    <>
      <Button
        variant="outlined"
        size="small"
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {words.addRole}
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)}>
        {free.map((role) => (
          <MenuItem
            key={role}
            onClick={() => {
              setAnchor(null);
              onAdd(role);
            }}
          >
            {roleWords[role]}
          </MenuItem>
        ))}
      </Menu>
    </>
  ) : null;
}

/** The families that the roles are set in, each asked for by its id. */
function useFamilies(roles: Role[]): { families: Family[]; loaded: boolean } {
  const ids = [...new Set(roles.map((role) => role.familyId))].filter(Boolean);
  return useQueries({
    queries: ids.map((id) => asking("/api/families/{id}", { path: { id } })),
    combine: (results) => ({
      families: results.flatMap((result) => result.data ?? []),
      loaded: results.every((result) => result.data !== undefined),
    }),
  });
}
