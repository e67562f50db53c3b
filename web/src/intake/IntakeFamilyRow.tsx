import Checkbox from "@mui/material/Checkbox";
import { useState } from "react";
import { Link } from "react-router";
import { api } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { Correction, FileRow, IntakeFamily } from "../shared/api/types";
import { Sign } from "../shared/flag/Sign";
import { DescribeFamily } from "../shared/font/DescribeFamily";
import { hasLatin } from "../shared/font/sample";
import { inFont, lettersAt, useFontAt } from "../shared/font/storedFont";
import { Line } from "../shared/layout/Leaf";
import { listed } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { ArrivalGrid } from "./ArrivalGrid";
import { FontRows } from "./FontRows";
import { RowActs } from "./RowActs";
import { comesWith, notesOf, summaryOf, words } from "./words";

type Props = { intakeId: string; family: IntakeFamily; editable: boolean };

/** One family of a drop: a row until it is opened to its files. */
export function IntakeFamilyRow({ intakeId, family, editable }: Props) {
  const [open, setOpen] = useState(false);
  const [correcting, setCorrecting] = useState(false);
  const { key, name, goingIn, heldId } = family;
  const path = { path: { id: intakeId }, query: { family: key } };
  const correct = useChange({
    of: "intake",
    change: (change: Correction) => api.PATCH("/api/intakes/{id}/files", { params: path, body: change }),
  });
  return (
    <Line ruled notes={<Notes family={family} />}>
      <div className="arrival-row" data-row role="group" aria-label={name}>
        <Checkbox
          size="small"
          sx={{ p: 0 }}
          checked={goingIn === family.files}
          indeterminate={goingIn > 0 && goingIn < family.files}
          disabled={!editable || correct.isPending}
          slotProps={{ input: { "aria-label": `${words.takeIn} ${name}` } }}
          onChange={() => correct.mutate({ included: goingIn === 0 })}
        />
        <div className="breaks">
          <Name intakeId={intakeId} family={family} />
          <div className="quiet small">{summaryOf(family)}</div>
          <div className="quiet small">
            {comesWith(family)}
            {heldId && (
              <>
                {" "}
                <Link to={`/families/${heldId}`}>{words.whatIsHeld}</Link>
              </>
            )}
          </div>
        </div>
        <ArrivalGrid intakeId={intakeId} family={family} />
        <RowActs
          more={words.files}
          name={name}
          open={open}
          onOpen={setOpen}
          onCorrect={editable ? () => setCorrecting(true) : undefined}
        />
      </div>
      {open && <FilesOf intakeId={intakeId} family={family} editable={editable} />}
      {correcting && (
        <DescribeFamily
          title={name}
          action={words.correct}
          leave={words.leave}
          family={family}
          because={family.classificationBecause}
          onClose={() => setCorrecting(false)}
          onSave={({ name: called, foundry, classification }) =>
            correct.mutateAsync({
              family: called,
              foundry,
              classification: classification ?? undefined,
            })
          }
        />
      )}
    </Line>
  );
}

function Name({ intakeId, family }: { intakeId: string; family: IntakeFamily }) {
  const { arrivals, name } = family;
  const shown =
    arrivals.find(({ slot }) => slot.slope === "upright" && slot.weight <= 400 && slot.weightMax >= 400) ??
    arrivals[0];
  const latin = shown !== undefined && hasLatin(shown.sample);
  const font = useFontAt(
    latin ? lettersAt(`/api/intakes/${intakeId}/items/${shown.itemId}`, name) : undefined,
  );
  return (
    <span className="arrival-name" style={latin ? inFont(font) : undefined}>
      {name}
    </span>
  );
}

function FilesOf({ intakeId, family, editable }: Props) {
  const files = useGet("/api/intakes/{id}/files", { path: { id: intakeId }, query: { family: family.key } });
  const correct = useChange({
    of: "intake",
    change: ({ row, change }: { row: FileRow; change: Correction }) =>
      api.PATCH("/api/intakes/{id}/items/{item}", {
        params: { path: { id: intakeId, item: row.id } },
        body: change,
      }),
  });
  return (
    <Shown of={files}>
      {(rows) => (
        <FontRows
          intakeId={intakeId}
          rows={rows}
          usedBy={family.sites.map((site) => site.name)}
          editable={editable}
          busy={correct.isPending}
          onCorrect={(row, change) => correct.mutateAsync({ row, change })}
        />
      )}
    </Shown>
  );
}

/** The margin of a family of an intake: what has to be decided, and what its files warn of. */
function Notes({ family }: { family: IntakeFamily }) {
  return (
    <>
      {notesOf(family).map(({ what, why }) => (
        <div key={what} className="note">
          <span className="sign">
            <Sign group="DUPLICATE" decoration />
          </span>
          <div className="group">{words.decide}</div>
          <div className="what">{what}</div>
          <div className="why">{why}</div>
        </div>
      ))}
      {family.warnings.length > 0 && (
        <div className="note ask">
          <div className="group">{words.readFirst}</div>
          <div className="why">{listed(family.warnings.slice(0, 2))}</div>
        </div>
      )}
    </>
  );
}
