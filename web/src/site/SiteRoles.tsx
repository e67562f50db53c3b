import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useQueries } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useForm } from "react-hook-form";
import { useMayEdit } from "../account/session";
import { call } from "../shared/api/client";
import type { Family, Role, Site } from "../shared/api/types";
import { Conflict } from "../shared/parts/Conflict";
import { kB } from "../shared/parts/format";
import { useBeforeLeaving } from "../shared/parts/useBeforeLeaving";
import { useMergedForm } from "../shared/parts/useMergedForm";
import { RoleEditor } from "./RoleEditor";
import { byRole, inOrder, roleWords, weigh, type RolesByName } from "./roles";

const allRoles = Object.keys(roleWords) as Role["role"][];

type Props = { site: Site; onSave: (roles: Role[]) => Promise<boolean> };

/** The text roles of a site and the faces each asks for, with what they weigh adding up. */
export function SiteRoles({ site, onSave }: Props) {
  const recorded = useMemo(() => byRole(site.roles), [site.roles]);
  const form = useForm<RolesByName>({ defaultValues: recorded });
  const { conflict, resolve, saved } = useMergedForm(form, recorded, site.version);
  const roles = inOrder(form.watch());
  const families = useFamilies(roles);
  const mayEdit = useMayEdit();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const changed = form.formState.isDirty;
  useBeforeLeaving(changed);
  const free = allRoles.filter((role) => !roles.some((set) => set.role === role));
  const weight = weigh(roles, families);
  const set = (role: Role["role"], value: Role | null) => form.setValue(role, value, { shouldDirty: true });
  const save = form.handleSubmit(async () => {
    if (await onSave(inOrder(form.getValues()).filter((role) => role.familyId !== ""))) {
      saved();
    }
  });
  return (
    <>
      <h2 className="section">
        Faces{" "}
        <small>
          {weight.faces} to send, {weight.guessed ? "about " : ""}
          {kB(weight.bytes)}; {(weight.bytes / 200_000).toFixed(1)} s at 1.6 Mbit/s
        </small>
      </h2>
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
      <div
        className={changed ? "savebar" : undefined}
        style={{ marginTop: 12, display: "flex", gap: 12, alignItems: "center" }}
      >
        {changed && (
          <>
            <Button
              variant="contained"
              disabled={!!conflict || form.formState.isSubmitting}
              onClick={() => void save()}
            >
              Save the faces
            </Button>
            <Button onClick={() => form.reset(recorded)}>Discard the changes</Button>
          </>
        )}
        {mayEdit && free.length > 0 && (
          <Button
            variant="outlined"
            size="small"
            aria-haspopup="menu"
            onClick={(event) => setAnchor(event.currentTarget)}
          >
            Add a text role
          </Button>
        )}
      </div>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)}>
        {free.map((role) => (
          <MenuItem
            key={role}
            onClick={() => {
              setAnchor(null);
              set(role, { role, familyId: roles[0]?.familyId ?? "", generic: "SANS_SERIF", faces: [] });
            }}
          >
            {roleWords[role]}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** The families that the roles are set in, each asked for by its id. */
function useFamilies(roles: Role[]): Family[] {
  const ids = [...new Set(roles.map((role) => role.familyId))].filter(Boolean);
  return useQueries({
    queries: ids.map((id) => ({
      queryKey: [`/api/families/${id}`],
      queryFn: () => call<Family>("GET", `/api/families/${id}`),
    })),
    combine: (results) => results.flatMap((result) => result.data ?? []),
  });
}

function roleInWords(role: Role | null, families: Family[]): string {
  if (!role) {
    return "not set";
  }
  const name = families.find((family) => family.id === role.familyId)?.name ?? "another family";
  return `${name}, ${role.faces.map((face) => face.label || face.key).join(", ") || "no face"}`;
}
