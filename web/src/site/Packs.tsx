import Button from "@mui/material/Button";
import { useMayEdit } from "../account/session";
import { call } from "../shared/api/client";
import { useChange, useOne } from "../shared/api/queries";
import type { PageOf, Pack } from "../shared/api/types";
import { count, kB, localDates, moment } from "../shared/parts/format";

/** The packs made for a site, and the making of a new one. */
export function Packs({ siteId }: { siteId: string }) {
  const path = `/api/sites/${siteId}/packs`;
  const list = useOne<PageOf<Pack>>(`${path}?limit=1`).data;
  const packs = list?.items ?? [];
  const mayEdit = useMayEdit();
  const make = useChange(
    () => call<Pack>("POST", path),
    (pack) => `Made a pack of ${kB(pack.bytes)}.`,
  );
  const [latest] = packs;
  const leftOut = latest?.contents.filter((content) => content.leftOut) ?? [];
  const files = latest?.contents.filter((content) => !content.leftOut) ?? [];
  return (
    <>
      <h2 className="section">
        Pack <small>WOFF2 files, a style sheet, a specimen page and the licenses</small>
      </h2>
      {latest ? (
        <>
          <p style={{ marginTop: 0 }}>
            <a href={`/api/packs/${latest.id}.zip`} download>
              Download the pack
            </a>{" "}
            of {moment(latest.madeAt)}: {kB(latest.bytes)}, {count(files.length, "file")}.
          </p>
          {latest.changedSince.length > 0 && (
            <div className="outdated" role="status">
              <b>This pack is out of date.</b>
              <ul>
                {latest.changedSince.map((change) => (
                  <li key={change}>{localDates(change)}</li>
                ))}
              </ul>
            </div>
          )}
          <table className="sheet" style={{ marginBottom: 14 }}>
            <tbody>
              {files.map((file) => (
                <tr key={file.path}>
                  <td className="digest">{file.path}</td>
                  <td className="number">{kB(file.bytes)}</td>
                </tr>
              ))}
              {leftOut.map((face) => (
                <tr key={face.path}>
                  <td colSpan={2} style={{ color: "var(--soon)" }}>
                    Left out: {face.path}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      ) : list === undefined ? null : (
        <p className="quiet" style={{ marginTop: 0 }}>
          None made yet. Only faces that are held and allowed on every domain go in.
        </p>
      )}
      {mayEdit && (
        <Button
          variant={latest && latest.changedSince.length === 0 ? "outlined" : "contained"}
          disabled={make.isPending}
          onClick={() => make.mutate(undefined)}
        >
          {make.isPending ? "Making …" : latest ? "Make a new pack" : "Make a pack"}
        </Button>
      )}
    </>
  );
}
