import Button from "@mui/material/Button";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf, editing } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { Family, HeldFile } from "../shared/api/types";
import { Confirm } from "../shared/parts/Confirm";
import { baseName, formatName, kB, number } from "../shared/parts/format";
import { useRovingFocus } from "../shared/parts/useRovingFocus";
import { removing, words } from "./words";

/** The files of a family, with what can be done to each. */
export function FileTable({ family }: { family: Family }) {
  const walk = useRovingFocus<HTMLDivElement>();
  return (
    <div className="scrolled" ref={walk}>
      <table className="sheet">
        <thead>
          <tr>
            <th>{words.face}</th>
            <th>{words.file}</th>
            <th>{words.format}</th>
            <th className="number">{words.size}</th>
            <th className="number">{words.characters}</th>
            <th>{words.version}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {family.files.map((file) => (
            <Row key={file.id} family={family} file={file} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Row({ family, file }: { family: Family; file: HeldFile }) {
  const mayEdit = useMayEdit();
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const path = { id: family.id, file: file.id };
  const remove = useChange({
    of: "family",
    change: async () => {
      const removed = await bodyOf(
        api.DELETE("/api/families/{id}/files/{file}", {
          params: { path, header: editing(family.version) },
        }),
      );
      const named = family.licenses.length > 0 || family.sites.length > 0 || family.asks.length > 0;
      if (family.files.length === 1 && !named) {
        await navigate("/families");
      }
      return removed;
    },
    said: (removed) => ({ text: `Removed ${baseName(file.fileName)}.`, undo: removed.historyId }),
  });
  const convert = useChange({
    of: "family",
    change: () => bodyOf(api.POST("/api/families/{id}/files/{file}/woff2", { params: { path } })),
    said: (made) => `Made ${baseName(made.fileName)}, ${kB(made.bytes)}.`,
  });
  const hasWoff2 = family.files.some((other) => other.format === "woff2" && other.slot.key === file.slot.key);
  const name = baseName(file.fileName);
  return (
    <tr data-row>
      <td>{file.slot.label}</td>
      <td>
        <a href={`/api/files/${file.sha256}`} download>
          {name}
        </a>
        <div className="quiet digest">
          {file.sha256.slice(0, 12)}
          {file.madeHere && ` · ${words.madeHere}`}
        </div>
      </td>
      <td>{formatName(file.format)}</td>
      <td className="number">{kB(file.bytes)}</td>
      <td className="number">{number(file.codePoints)}</td>
      <td>{file.fontVersion.replace(/^Version /, "").slice(0, 24)}</td>
      <td className="acts">
        {mayEdit && !hasWoff2 && (
          <Button
            size="small"
            aria-label={`${words.makeWoff2} of ${name}`}
            disabled={convert.isPending}
            onClick={() => convert.mutate()}
          >
            {words.makeWoff2}
          </Button>
        )}
        {mayEdit && (
          <Button size="small" aria-label={`Remove ${name}`} onClick={() => setAsking(true)}>
            {words.remove}
          </Button>
        )}
        {asking && (
          <Confirm
            title={`Remove ${name}?`}
            action={words.remove}
            onClose={() => setAsking(false)}
            onConfirm={() => remove.mutateAsync()}
          >
            {removing(family, file)}
          </Confirm>
        )}
      </td>
    </tr>
  );
}
