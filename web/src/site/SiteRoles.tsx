import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import { pageWeight, serves } from "../family/slots";
import type { Family, Role, Site } from "../shared/api/types";
import { kB } from "../shared/parts/format";
import { RoleEditor } from "./RoleEditor";
import { roleWords } from "./roles";

const allRoles = Object.keys(roleWords) as Role["role"][];

/** The text roles of a site and the faces each asks for, with what they weigh adding up. */
export function SiteRoles({
  site,
  families,
  onSave,
}: {
  site: Site;
  families: Family[];
  onSave: (roles: Role[]) => void;
}) {
  const [roles, setRoles] = useState<Role[]>(site.roles);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const changed = JSON.stringify(roles) !== JSON.stringify(site.roles);
  const free = allRoles.filter((role) => !roles.some((set) => set.role === role));
  const weight = weigh(roles, families);
  const replace = (role: Role) => setRoles(roles.map((other) => (other.role === role.role ? role : other)));
  return (
    <>
      <h2 className="section">
        Faces{" "}
        <small>
          {weight.faces} to send, {weight.guessed ? "about " : ""}
          {kB(weight.bytes)}; {(weight.bytes / 200_000).toFixed(1)} s at 1.6 Mbit/s
        </small>
      </h2>
      {roles.map((role) => (
        <RoleEditor
          key={role.role}
          role={role}
          families={families}
          onChange={replace}
          onRemove={() => setRoles(roles.filter((other) => other !== role))}
        />
      ))}
      <div
        className={changed ? "savebar" : undefined}
        style={{ marginTop: 12, display: "flex", gap: 12, alignItems: "center" }}
      >
        {changed && (
          <>
            <Button variant="contained" onClick={() => onSave(roles)}>
              Save the faces
            </Button>
            <Button onClick={() => setRoles(site.roles)}>Undo</Button>
          </>
        )}
        {free.length > 0 && families.length > 0 && (
          <Button
            variant="outlined"
            size="small"
            aria-haspopup="menu"
            onClick={(event) => setAnchor(event.currentTarget)}
          >
            Add a text role
          </Button>
        )}
        {families.length === 0 && <span className="quiet">No family is held yet; take one in first.</span>}
      </div>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)}>
        {free.map((role) => (
          <MenuItem
            key={role}
            onClick={() => {
              setAnchor(null);
              setRoles([...roles, { role, familyId: families[0]!.id, generic: "SANS_SERIF", faces: [] }]);
            }}
          >
            {roleWords[role]}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** What all chosen faces weigh together, each file counted once. */
function weigh(roles: Role[], families: Family[]) {
  const seen = new Set<string>();
  const total = { faces: 0, bytes: 0, guessed: false };
  for (const role of roles) {
    const family = families.find((one) => one.id === role.familyId);
    for (const slot of role.faces) {
      const files = family?.files.filter((file) => serves(file.slot, slot)) ?? [];
      const key = role.familyId + (files[0]?.slot.key ?? slot.key);
      if (files.length > 0 && !seen.has(key)) {
        seen.add(key);
        const { bytes, guessed } = pageWeight(files);
        total.faces++;
        total.bytes += bytes;
        total.guessed ||= guessed;
      }
    }
  }
  return total;
}
