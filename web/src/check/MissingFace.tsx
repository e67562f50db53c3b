import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing } from "../shared/api/client";
import { draftOf } from "../shared/api/drafts";
import { useChange, useGet } from "../shared/api/queries";
import type { Role, ShownInRole, Site, Slot } from "../shared/api/types";
import { serves } from "../shared/font/slots";
import { missingFace } from "./roles";
import { faceAdded, words } from "./words";

type Props = { site: Site; role: string; shown: ShownInRole };

/** What helps where browsers fake a bold or an italic: the face that is held, or who lacks it. */
export function MissingFace({ site, role, shown }: Props) {
  const own = site.roles.find((one) => one.role === role);
  const slot = missingFace(shown);
  return own && slot && !own.faces.some((face) => serves(face, slot)) ? (
    <Help site={site} role={own} slot={slot} />
  ) : null;
}

function Help({ site, role, slot }: { site: Site; role: Role; slot: Slot }) {
  const mayEdit = useMayEdit();
  const { familyId } = role;
  const family = useGet("/api/families/{id}", { path: { id: familyId } });
  const held = family.data?.files.find((file) => serves(file.slot, slot));
  const decided = useQuery({
    queryKey: ["/api/decisions", site.id, familyId, held?.slot],
    queryFn: () =>
      bodyOf(
        api.POST("/api/decisions", {
          body: {
            familyId,
            slot: held!.slot,
            siteId: site.id,
            format: null,
            domain: null,
            acts: null,
            day: null,
          },
        }),
      ),
    enabled: !!held,
  });
  const add = useChange({
    of: "site",
    change: (face: Slot) =>
      bodyOf(
        api.PUT("/api/sites/{id}", {
          params: { path: { id: site.id }, header: editing(site.version) },
          body: {
            ...draftOf(site),
            roles: site.roles.map((one) =>
              one.role === role.role ? { ...one, faces: [...one.faces, face] } : one,
            ),
          },
        }),
      ),
    said: (_, face) => faceAdded(face.label),
  });
  if (!family.data) {
    return null;
  }
  if (!held) {
    return (
      <div className="small">
        {words.faceNotHeld} <Link to={`/families/${familyId}`}>{family.data.name}</Link>
      </div>
    );
  }
  if (decided.data?.verdict !== "ALLOWED") {
    return decided.data ? (
      <div className="small">
        {words.faceNotAllowed} {decided.data.reasons.find(({ verdict }) => verdict !== "ALLOWED")?.text}{" "}
        <Link to={`/families/${familyId}/use`}>{family.data.name}</Link>
      </div>
    ) : null;
  }
  return mayEdit ? (
    <Button size="small" disabled={add.isPending} onClick={() => add.mutate(held.slot)}>
      {`Add ${family.data.name} ${held.slot.label} to the role`}
    </Button>
  ) : null;
}
