import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { KeptReading } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { Copy } from "../shared/parts/Copy";
import { Shown } from "../shared/states/States";

import { shortAddress } from "../shared/parts/address";
import { asBookmark, forConsole, pastedReading } from "./reader";
import { keyInWords, readingInWords, words } from "./words";

/** Pages that only a person's own browser can show: the reader, a key to send with, and what was read so far. */
export function FromBrowser({ siteId }: { siteId: string }) {
  const readings = useGet("/api/sites/{id}/page-readings", { path: { id: siteId } });
  const mayEdit = useMayEdit();
  return (
    <Line id="browser">
      <h2 className="section">{words.browser}</h2>
      <p className="first">{words.browserWhy}</p>
      {mayEdit && <Reader siteId={siteId} />}
      {mayEdit && <Paste siteId={siteId} />}
      <Shown of={readings} lines={1}>
        {(kept) =>
          kept.length > 0 && (
            <ul className="bare-list" aria-label={words.browser}>
              {kept.map((reading) => (
                <Kept key={reading.id} reading={reading} mayEdit={mayEdit} />
              ))}
            </ul>
          )
        }
      </Shown>
    </Line>
  );
}

/** What a reading begins with: the reader by two ways, and the key it is sent with. */
function Reader({ siteId }: { siteId: string }) {
  const script = useQuery({
    queryKey: ["reader"],
    staleTime: Infinity,
    queryFn: async ({ signal }) => {
      const answer = await fetch("/reader.js", { signal });
      if (!answer.ok) {
        throw new Error(`reader.js: ${answer.status}`);
      }
      return answer.text();
    },
  });
  const key = useChange({
    of: "page reading",
    change: () => bodyOf(api.POST("/api/sites/{id}/reading-keys", { params: { path: { id: siteId } } })),
  });
  const server = window.location.origin;
  return (
    <Shown of={script} lines={2}>
      {(reader) => (
        <dl className="ways">
          <dt>
            <Bookmark address={asBookmark(reader, { server, key: null })} />
          </dt>
          <dd>{words.browserDrag}</dd>
          <dt>
            <Copy
              label={words.browserConsole}
              text={forConsole(reader, { server, key: key.data?.key ?? null })}
            />
          </dt>
          <dd>{words.browserConsoleHelp}</dd>
          <dt>
            {key.data ? (
              <Copy label={words.browserCopyKey} text={key.data.key} />
            ) : (
              <Button size="small" disabled={key.isPending} onClick={() => key.mutate()}>
                {words.browserKey}
              </Button>
            )}
          </dt>
          <dd>
            {key.data ? (
              <>
                <code className="reading-key">{key.data.key}</code> {keyInWords(key.data)}
              </>
            ) : (
              words.browserKeyHelp
            )}
          </dd>
        </dl>
      )}
    </Shown>
  );
}

/** A link to be dragged to the bookmarks. React itself gives no link an address that is a script. */
function Bookmark({ address }: { address: string }) {
  const link = useRef<HTMLAnchorElement>(null);
  useEffect(() => link.current?.setAttribute("href", address), [address]);
  return (
    <a ref={link} className="bookmark" href="#browser" onClick={(event) => event.preventDefault()}>
      {words.browserBookmark}
    </a>
  );
}

function Paste({ siteId }: { siteId: string }) {
  const [text, setText] = useState<string | null>(null);
  const add = useChange({
    of: "page reading",
    change: (reading: Record<string, never>) =>
      bodyOf(api.POST("/api/sites/{id}/page-readings", { params: { path: { id: siteId } }, body: reading })),
    said: () => words.browserTaken,
  });
  if (text === null) {
    return (
      <Button size="small" onClick={() => setText("")}>
        {words.browserPaste}
      </Button>
    );
  }
  const reading = pastedReading(text);
  const isWrong = text.trim() !== "" && reading === null;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (reading) {
          add.mutate(reading, { onSuccess: () => setText(null) });
        }
      }}
    >
      <TextField
        className="pasted"
        label={words.browserPasted}
        multiline
        fullWidth
        minRows={3}
        maxRows={6}
        value={text}
        error={isWrong}
        helperText={isWrong ? words.browserNoReading : undefined}
        onChange={(event) => setText(event.target.value)}
      />
      <div className="in-a-row">
        <Button type="submit" variant="contained" disabled={reading === null || add.isPending}>
          {words.browserAdd}
        </Button>
        <Button onClick={() => setText(null)}>{words.leave}</Button>
      </div>
    </form>
  );
}

function Kept({ reading, mayEdit }: { reading: KeptReading; mayEdit: boolean }) {
  const remove = useChange({
    of: "page reading",
    change: () => bodyOf(api.DELETE("/api/page-readings/{id}", { params: { path: { id: reading.id } } })),
    said: () => words.browserRemoved,
  });
  return (
    <li className="in-a-row">
      <span>{shortAddress(reading.url)}</span>
      <span className="quiet small">{readingInWords(reading)}</span>
      {mayEdit && (
        <Button size="small" disabled={remove.isPending} onClick={() => remove.mutate()}>
          {words.browserRemove}
        </Button>
      )}
    </li>
  );
}
