import type { Family, Role, Site, SiteWeight } from "../../shared/api/types";
import { offersOf, taken, type Offer } from "./specimen";
import { useWeight } from "./useWeight";
import { offerInWords, words } from "./words";

type Props = {
  site: Site;
  roles: Role[];
  families: Family[];
  weight: SiteWeight | undefined;
  onTake: (roles: Role[]) => void;
};

/** Variable files that would weigh less than the chosen faces they can stand for. */
export function Offers({ site, roles, families, weight, onTake }: Props) {
  const files = families.flatMap((family) =>
    family.files.map((file) => ({ familyId: family.id, slot: file.slot })),
  );
  const offers = offersOf(roles, files);
  const { weight: variable } = useWeight(
    site,
    offers.map(({ familyId, by }) => ({ familyId, slot: by })),
  );
  return offers.map((offer) => {
    const alone = bytesOf(variable, [offer.by], offer);
    const separate = bytesOf(weight, offer.slots, offer);
    const family = families.find((one) => one.id === offer.familyId);
    return alone !== null && separate !== null && alone < separate && family ? (
      <p key={`${offer.familyId} ${offer.by.key}`} className="small">
        {offerInWords(family.name, offer.slots.length, separate, alone)}{" "}
        <button type="button" className="act" onClick={() => onTake(taken(roles, offer))}>
          {words.takeIt}
        </button>
      </p>
    ) : null;
  });
}

/** What faces of an offer's family weigh, each file once; null until all of them are known. */
function bytesOf(weight: SiteWeight | undefined, slots: Offer["slots"], { familyId }: Offer): number | null {
  const of = slots.map((slot) =>
    weight?.faces.find((face) => face.familyId === familyId && face.slot.key === slot.key),
  );
  const files = new Map(of.flatMap((face) => (face ? [[face.fileSlot.key, face.bytes] as const] : [])));
  return of.includes(undefined) ? null : [...files.values()].reduce((sum, bytes) => sum + bytes, 0);
}
