import { useMayEdit } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Pack } from "../shared/api/types";
import { TickBox } from "../shared/parts/Tick";
import { words } from "./words";

/** What the host of a site needs done by hand for a pack; ticked as it is done. */
export function Checklist({ pack }: { pack: Pack }) {
  const mayEdit = useMayEdit();
  const tick = useChange({
    of: "pack",
    change: (body: { step: string; done: boolean }) =>
      bodyOf(api.PUT("/api/packs/{id}/checklist", { params: { path: { id: pack.id } }, body })),
  });
  return pack.checklist.length === 0 ? null : (
    <div role="group" aria-label={words.checklist} className="checklist">
      <b>{words.checklist}</b>
      {pack.checklist.map((one) => (
        <TickBox
          key={one.what}
          label={one.what}
          checked={one.done}
          disabled={!mayEdit || tick.isPending}
          onChange={(done) => tick.mutate({ step: one.what, done })}
        />
      ))}
    </div>
  );
}
