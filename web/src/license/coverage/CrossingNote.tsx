import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { useMayEdit } from "../../shared/account/session";
import { useGet } from "../../shared/api/queries";
import type { Explained } from "../../shared/api/types";
import { Verdict } from "../../shared/parts/Verdict";
import { useSettled } from "../../shared/parts/useSettled";
import { AttachDialog } from "./AttachDialog";
import { asksFor, nameOn, words } from "./words";

/** Why a family may or may not be used on a site, and what can be done about it. */
export function CrossingNote({ familyId, siteId }: { familyId: string; siteId: string }) {
  const mayEdit = useMayEdit();
  const [attaching, setAttaching] = useState(false);
  const settled = useSettled(`${familyId} ${siteId}`);
  const ready = settled === `${familyId} ${siteId}`;
  const crossing = useGet(
    "/api/coverage/{familyId}/{siteId}",
    { path: { familyId, siteId } },
    { enabled: ready },
  ).data;
  if (!crossing) {
    return null;
  }
  const [best] = crossing.licenses;
  return (
    <section className="crossing" aria-live="polite">
      <h2>
        <Link to={`/families/${familyId}`}>{crossing.familyName}</Link> on{" "}
        <Link to={`/sites/${siteId}`}>{crossing.siteName}</Link>
      </h2>
      <p>
        <Verdict value={crossing.verdict} />
      </p>
      <p className="quiet">{asksFor(crossing.faces)}</p>
      {best ? (
        <>
          <p>
            <Link to={`/licenses/${best.licenseId}`}>{best.licenseName}</Link>
          </p>
          <ul className="bare-list">
            {best.reasons.map((reason) => (
              <li key={reason.point + reason.text}>{reason.text}</li>
            ))}
            {best.partly && <li>{words.partly}</li>}
          </ul>
        </>
      ) : (
        <p>{words.noLicense}</p>
      )}
      <ul className="bare-list">
        {mayEdit && crossing.extensible.length > 0 && (
          <li>
            <Button size="small" onClick={() => setAttaching(true)}>
              {words.attach}
            </Button>
          </li>
        )}
        {waysOf(crossing).map(({ to, said }) => (
          <li key={to}>
            <Link className="act" to={to}>
              {said}
            </Link>
          </li>
        ))}
      </ul>
      {attaching && <AttachDialog crossing={crossing} onClose={() => setAttaching(false)} />}
    </section>
  );
}

type Way = { to: string; said: string };

/** What can be done about a crossing that is not allowed: where, and what it is called. */
export function waysOf({
  verdict,
  licenses,
  lacking,
  extensible,
  familyId,
  siteId,
  faces,
}: Explained): Way[] {
  if (verdict === "ALLOWED") {
    return [];
  }
  const ways: Way[] = [];
  const [best] = licenses;
  const terms = best && `/licenses/${best.licenseId}/terms`;
  const against = best?.reasons.map((reason) => reason.point) ?? [];
  const [domain] = lacking;
  if (best && against.includes("ENDS")) {
    ways.push({ to: `${terms}#dates`, said: words.renew });
  }
  if (best && best.verdict === "NOT_STATED" && !against.includes("ENDS")) {
    ways.push({ to: `${terms}#ask`, said: words.askVendor });
  }
  if (best && domain && best.verdict === "REFUSED" && extensible.length === 0) {
    ways.push({ to: `${terms}?domain=${domain}#domains`, said: nameOn(domain, best.licenseName) });
  }
  if (!best || best.verdict === "REFUSED") {
    ways.push({ to: `/licenses/new?family=${familyId}`, said: words.recordLicense });
  }
  if (faces.length > 0) {
    ways.push({ to: `/sites/${siteId}`, said: words.changeFace });
  }
  return ways;
}
