import { useNavigate } from "react-router";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Family, Slot } from "../shared/api/types";
import { count } from "../shared/parts/format";

type Move = { files: string[]; slot?: Slot; family?: string };

/** Moves files of a family to another slot or family, and goes along when they leave it. */
export function useMove(family: Family) {
  const navigate = useNavigate();
  return useChange({
    of: "family",
    change: async (body: Move) => {
      const moved = await bodyOf(
        api.PATCH("/api/families/{id}/files", {
          params: { path: { id: family.id }, header: editing(family.version) },
          body,
        }),
      );
      if (moved.familyId !== family.id) {
        await navigate(`/families/${moved.familyId}/files`);
      }
      return moved;
    },
    said: ({ historyId }, { files }) => ({ text: `Moved ${count(files.length, "file")}.`, undo: historyId }),
  });
}
