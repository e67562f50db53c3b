import { useState } from "react";
import type { Pack } from "../shared/api/types";
import { useGet } from "../shared/api/queries";
import { Shown } from "../shared/states/States";
import { fileChangeInWords } from "./packs";
import { differenceSince, packInWords, placedInWords, words } from "./words";

/** The packs before the latest one, each with what it changed. */
export function EarlierPacks({ siteId }: { siteId: string }) {
  const list = useGet("/api/sites/{id}/packs", { path: { id: siteId }, query: { limit: 20 } });
  const earlier = list.data?.items.slice(1) ?? [];
  return earlier.length === 0 ? null : (
    <details className="earlier-packs">
      <summary>{words.earlier}</summary>
      <ul className="bare-list">
        {earlier.map((pack) => (
          <li key={pack.id}>
            <a href={`/api/packs/${pack.id}.zip`} download>
              {words.downloadIt}
            </a>{" "}
            {packInWords(pack, pack.contents.filter((content) => !content.leftOut).length)}{" "}
            {pack.placedOn && placedInWords(pack.placedOn)} <Difference pack={pack} />
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What a pack has otherwise than the one before it; asked for when it is opened. */
export function Difference({ pack }: { pack: Pack }) {
  const [open, setOpen] = useState(false);
  const difference = useGet("/api/packs/{id}/changes", { path: { id: pack.id } }, { enabled: open });
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{words.difference}</summary>
      {open && (
        <Shown of={difference} lines={2}>
          {({ since, changed }) => (
            <>
              <p className="quiet small">{differenceSince(since, changed)}</p>
              <ul className="bare-list pack-files">
                {changed.files.map((file) => (
                  <li key={file.path}>
                    <span className="digest">{file.path}</span>{" "}
                    <span className="number">{fileChangeInWords(file)}</span>
                  </li>
                ))}
              </ul>
              <Rules sign="+" label={words.rulesCame} rules={changed.came} />
              <Rules sign="−" label={words.rulesWent} rules={changed.went} />
            </>
          )}
        </Shown>
      )}
    </details>
  );
}

function Rules({ sign, label, rules }: { sign: string; label: string; rules: string[] }) {
  return rules.length === 0 ? null : (
    <pre className="rules-changed" aria-label={label}>
      {rules.map((rule) => `${sign} ${rule}`).join("\n")}
    </pre>
  );
}
