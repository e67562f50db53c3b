import Button from "@mui/material/Button";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { AskedRow, Pack } from "../shared/api/types";
import { isoDay, kB } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { Progress } from "../shared/parts/Progress";
import { Checklist } from "./Checklist";
import { Difference, EarlierPacks } from "./EarlierPacks";
import { FillIn } from "./FillIn";
import { MakeAnyway } from "./MakeAnyway";
import { useLatestPack, useMakePack, usePackMaking, useTellOfPack } from "./usePack";
import { madeAnyway, makingInWords, packInWords, placedInWords, words } from "./words";

/** The latest pack of a site, and the making of a new one. */
export function Packs({ siteId, rows }: { siteId: string; rows: AskedRow[] }) {
  const list = useLatestPack(siteId);
  const making = usePackMaking(siteId);
  return (
    <>
      <h2 className="section">
        {words.pack} <small>{words.packIs}</small>
      </h2>
      {making?.running && (
        <div role="status">
          <Progress label={words.making} done={making.done} total={making.total} />
          <p className="quiet small">{makingInWords(making)}</p>
        </div>
      )}
      <Shown of={list} lines={3}>
        {({ items: [latest] }) =>
          latest ? <Latest pack={latest} /> : <p className="quiet first">{words.noPack}</p>
        }
      </Shown>
      <MakeAnyway siteId={siteId} rows={rows} />
    </>
  );
}

/** The button that makes a pack: pressed once, the more visible the more it is needed. */
export function MakePack({ siteId }: { siteId: string }) {
  const latest = useLatestPack(siteId).data?.items[0];
  const mayEdit = useMayEdit();
  const running = useTellOfPack(siteId)?.running ?? false;
  const make = useMakePack(siteId);
  const busy = running || make.isPending;
  return mayEdit ? (
    <Button
      variant={latest && latest.changedSince.length === 0 ? "outlined" : "contained"}
      disabled={busy}
      onClick={() => make.mutate("")}
    >
      {busy ? words.making : latest ? words.makeNew : words.make}
    </Button>
  ) : null;
}

/** Whether the pack is on its host, and since when. */
function Placed({ pack }: { pack: Pack }) {
  const mayEdit = useMayEdit();
  const place = useChange({
    of: "pack",
    change: (day: string | null) =>
      bodyOf(api.PUT("/api/packs/{id}/placed", { params: { path: { id: pack.id } }, body: { day } })),
    said: () => words.placedSaid,
  });
  return (
    <>
      {pack.placedOn && placedInWords(pack.placedOn)}{" "}
      {mayEdit && (
        <Button
          size="small"
          disabled={place.isPending}
          onClick={() => place.mutate(pack.placedOn ? null : isoDay(new Date()))}
        >
          {pack.placedOn ? words.unplace : words.place}
        </Button>
      )}
    </>
  );
}

function Latest({ pack }: { pack: Pack }) {
  const leftOut = pack.contents.filter((content) => content.leftOut);
  const files = pack.contents.filter((content) => !content.leftOut);
  return (
    <>
      <p className="first">
        <a href={`/api/packs/${pack.id}.zip`} download>
          {words.download}
        </a>{" "}
        {packInWords(pack, files.length)} <Placed pack={pack} />
      </p>
      {pack.anyway && <p className="rubric">{madeAnyway(pack.anyway)}</p>}
      <Checklist pack={pack} />
      {pack.changedSince.length > 0 && (
        <div className="outdated" role="status">
          <b>{words.outdated}</b>
          <ul>
            {pack.changedSince.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </ul>
        </div>
      )}
      <ul className="bare-list pack-files">
        {files.map((file) => (
          <li key={file.path}>
            <span className="digest">{file.path}</span> <span className="number">{kB(file.bytes)}</span>
          </li>
        ))}
        {leftOut.map((face) => (
          <li key={face.path} className="ochre">
            {face.path}
          </li>
        ))}
      </ul>
      <FillIn packId={pack.id} />
      <Difference pack={pack} />
      <EarlierPacks siteId={pack.siteId} />
    </>
  );
}
