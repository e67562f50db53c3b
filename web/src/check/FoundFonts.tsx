import Button from "@mui/material/Button";
import { Link, useNavigate } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { FoundFont, PageCheck } from "../shared/api/types";
import { inFont, useLetters } from "../shared/font/storedFont";
import { baseName } from "../shared/parts/format";
import { Verdict } from "../shared/parts/Verdict";
import { fontsInOrder, hasOwnCopy, sameVerdicts } from "./pages";
import { heldInWords, whereInWords, words } from "./words";

/** The fonts that paint the pages' texts: found, held, allowed on these very hosts. */
export function FoundFonts({ check }: { check: PageCheck }) {
  return (
    <>
      <h2 className="section">
        {words.fonts} <small>{words.fontsAre}</small>
      </h2>
      {check.fonts.length === 0 ? (
        <p className="quiet first">{words.noFonts}</p>
      ) : (
        <div className="scrolled">
          <table className="sheet found-fonts">
            <thead>
              <tr>
                <th className="found-font">{words.found}</th>
                <th className="held-as">{words.held}</th>
                <th>{words.allowed}</th>
              </tr>
            </thead>
            <tbody>
              {fontsInOrder(check.fonts).map((font) => (
                <tr key={font.sha256}>
                  <td>
                    <Name font={font} />
                    <div className="quiet small">{whereInWords(font)}</div>
                  </td>
                  <td>
                    <Held font={font} checkId={check.line.id} />
                  </td>
                  <td>
                    {sameVerdicts(font.verdicts).map(({ verdict, hosts }) => (
                      <div key={hosts[0]}>
                        <Verdict value={verdict.verdict} />{" "}
                        <span className="quiet small">{hosts.join(", ")}</span>
                        {verdict.reason && <div className="quiet small">{verdict.reason}</div>}
                      </div>
                    ))}
                    {hasOwnCopy(font) && (
                      <div className="small">
                        {words.ownCopy}{" "}
                        <Link to={`/sites/${check.line.siteId}/delivery`}>{words.deliver}</Link>
                      </div>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}

/** A cut may lack the letters of its own name, which is then set in the interface's type. */
function Name({ font }: { font: FoundFont }) {
  const letters = useLetters(font.sha256, font.name);
  return (
    <div className="asked-face" style={inFont(letters)}>
      {font.name}
    </div>
  );
}

function Held({ font, checkId }: { font: FoundFont; checkId: string }) {
  const mayEdit = useMayEdit();
  const navigate = useNavigate();
  const takeIn = useChange({
    of: "intake",
    change: () =>
      bodyOf(
        api.POST("/api/checks/{id}/fonts/{sha256}/intake", {
          params: { path: { id: checkId, sha256: font.sha256 } },
        }),
      ),
  });
  if (font.held) {
    return (
      <>
        <Link to={`/families/${font.held.familyId}`}>{font.held.familyName}</Link>
        <div className="quiet small">
          {heldInWords(font.held)} {font.held.how !== "SAME_BYTES" && baseName(font.held.fileName)}
        </div>
      </>
    );
  }
  return (
    <>
      <span className="rubric">{words.notHeld}</span>
      {mayEdit && (
        <div>
          <Button
            size="small"
            disabled={takeIn.isPending}
            onClick={() =>
              takeIn.mutate(undefined, { onSuccess: ({ intakeId }) => void navigate(`/intake/${intakeId}`) })
            }
          >
            {takeIn.isPending ? words.takingIn : words.takeIn}
          </Button>
        </div>
      )}
    </>
  );
}
