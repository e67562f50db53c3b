import { Link, useParams } from "react-router";
import { useGet } from "../shared/api/queries";
import { FontComparison } from "../shared/font/FontComparison";
import { Leaf, Line } from "../shared/layout/Leaf";
import { baseName } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { words } from "./words";

/** A file under review beside the one that is held in its place, or drawn as it is. */
export function CompareArrivalPage() {
  const { id = "", item = "" } = useParams();
  const compared = useGet("/api/intakes/{id}/items/{item}/compare", { path: { id, item } });
  return (
    <Leaf title={words.compareTitle} above={<Link to={`/intake/${id}`}>{words.theIntake}</Link>}>
      <Line>
        <Shown of={compared} lines={9}>
          {({ familyId, family, held, difference }) => (
            <>
              <p>
                <Link to={`/families/${familyId}/files`}>
                  {family} {held.slot.label}
                </Link>
                , {baseName(held.fileName)}
              </p>
              <FontComparison
                of={difference}
                one={{ name: words.held, font: `/api/files/${held.sha256}` }}
                other={{ name: words.arriving, font: `/api/intakes/${id}/items/${item}/bytes` }}
              />
            </>
          )}
        </Shown>
      </Line>
    </Leaf>
  );
}
