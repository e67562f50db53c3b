import Button from "@mui/material/Button";
import { useState } from "react";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { useAskAgainAfter } from "../shared/api/useAskAgainAfter";
import type { Family } from "../shared/api/types";
import { Choice } from "../shared/parts/Choice";
import { count, formatName } from "../shared/parts/format";
import { Progress } from "../shared/parts/Progress";
import { formatsToMake, offer } from "./formats";
import { words } from "./words";

const ASK_AGAIN_AFTER = 600;

/** Makes a web format for all faces that lack it, as far as the licenses let; shows how far it is. */
export function MakeFormats({ family }: { family: Family }) {
  const mayEdit = useMayEdit();
  const [format, setFormat] = useState<string>("woff2");
  const path = { id: family.id, format };
  const plan = useGet(
    "/api/families/{id}/formats/{format}",
    { path },
    { refetchInterval: (answer) => (answer?.making.running ? ASK_AGAIN_AFTER : false) },
  );
  const running = plan.data?.making.running ?? false;
  useAskAgainAfter(running, "family");
  const make = useChange({
    of: "family",
    change: (anyway: boolean) =>
      bodyOf(api.POST("/api/families/{id}/formats/{format}", { params: { path, query: { anyway } } })),
  });
  if (!mayEdit || !plan.data) {
    return null;
  }
  const { faces, making } = plan.data;
  const offered = offer(faces, formatName(format));
  const busy = running || make.isPending;
  return (
    <div className="make-formats">
      <div className="sentence">
        {words.make}
        <Choice hideLabel label={words.format} value={format} options={formatsToMake} onChange={setFormat} />
        {offered.sentence}
      </div>
      {running ? (
        <div role="status">
          <Progress label={words.making} done={making.done} total={making.total} />
          <p className="quiet small">
            {making.done} of {making.total}
          </p>
        </div>
      ) : (
        <div className="acts">
          {offered.allowed > 0 && (
            <Button variant="outlined" disabled={busy} onClick={() => make.mutate(false)}>
              {words.makeIt} {formatName(format)} of {count(offered.allowed, "face")}
            </Button>
          )}
          {offered.notStated > 0 && (
            <Button disabled={busy} onClick={() => make.mutate(true)}>
              {words.makeAnyway} {count(offered.allowed + offered.notStated, "face")}
            </Button>
          )}
        </div>
      )}
      {making.failures.length > 0 && !running && (
        <ul role="alert" className="ochre">
          {making.failures.map((failure) => (
            <li key={failure}>{failure}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
