import Checkbox from "@mui/material/Checkbox";
import { useState } from "react";
import { useGet } from "../shared/api/queries";
import type { PackedFile } from "../shared/api/types";
import { kB } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { fillInColumns, words } from "./words";

/** The files of a pack as a host's form asks for them: each value is copied by a press, each file ticked when it is there. */
export function FillIn({ packId }: { packId: string }) {
  const [open, setOpen] = useState(false);
  const files = useGet("/api/packs/{id}/files", { path: { id: packId } }, { enabled: open });
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{words.fillIn}</summary>
      {open && (
        <Shown of={files} lines={2}>
          {({ items }) =>
            items.length === 0 ? <p className="quiet small">{words.fillInNone}</p> : <Table files={items} />
          }
        </Shown>
      )}
    </details>
  );
}

function Table({ files }: { files: PackedFile[] }) {
  return (
    <div className="scrolled">
      <table className="sheet fill-in">
        <thead>
          <tr>
            <th scope="col">{words.fillInDone}</th>
            {fillInColumns.map(({ key, label }) => (
              <th key={key} scope="col">
                {label}
              </th>
            ))}
            <th scope="col">{words.fillInSize}</th>
          </tr>
        </thead>
        <tbody>
          {files.map((file) => (
            <Row key={file.file} file={file} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Row({ file }: { file: PackedFile }) {
  const [done, setDone] = useState(false);
  return (
    <tr className={done ? "quiet" : undefined}>
      <td>
        <Checkbox
          size="small"
          checked={done}
          slotProps={{ input: { "aria-label": `${words.fillInDone}: ${file.file}` } }}
          onChange={(_, now) => setDone(now)}
        />
      </td>
      {fillInColumns.map(({ key, label }) => (
        <td key={key}>
          <Value name={label} text={file[key]} />
        </td>
      ))}
      <td className="number">{kB(file.bytes)}</td>
    </tr>
  );
}

/** A value that is on the clipboard after a press. */
function Value({ name, text }: { name: string; text: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <button
      type="button"
      className="copied-value"
      aria-label={`Copy ${name}: ${text}`}
      title={words.copyIt}
      onClick={() => {
        void navigator.clipboard.writeText(text).then(() => {
          setCopied(true);
          setTimeout(() => setCopied(false), 1500);
        });
      }}
    >
      {copied ? words.copied : text}
    </button>
  );
}
