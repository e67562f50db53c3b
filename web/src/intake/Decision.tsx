import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, bodyOf } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import type { IntakeOverview, IntakeSummary } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { Confirm } from "../shared/parts/Confirm";
import { count } from "../shared/parts/format";
import { LicenseChoice, type NamedRecord } from "../shared/parts/RecordChoice";
import { offer, throwingAway, wayBack, willTakeIn, words } from "./words";

/** Takes in what is marked, with the open licenses that it came under, or throws all of it away. */
export function Decision(props: {
  intake: IntakeSummary;
  /** What it comes to; not known of one that is being read or couldn't be. */
  overview: IntakeOverview | undefined;
  /** Whether a correction is on its way, which accepting waits for. */
  waiting: boolean;
}) {
  const { overview, waiting } = props;
  const { id, files } = props.intake;
  const navigate = useNavigate();
  const [discarding, setDiscarding] = useState(false);
  const [without, setWithout] = useState<string[]>([]);
  const [license, setLicense] = useState<NamedRecord | null>(null);
  // What was not read to its end can't be opened again.
  const isRead = overview !== undefined;
  const offered = overview?.openLicenses ?? [];
  const included = overview?.verdicts.reduce((sum, verdict) => sum + verdict.included, 0) ?? 0;
  const accept = useChange({
    of: "accepted intake",
    change: async () => {
      const openLicenses = offered.map(({ spdx }) => spdx).filter((spdx) => !without.includes(spdx));
      const accepted = await bodyOf(
        api.POST("/api/intakes/{id}/accept", {
          params: { path: { id } },
          body: { openLicenses, license: license?.id ?? null },
        }),
      );
      const [only, ...others] = accepted.familyIds;
      const answered = overview?.wanted.find(({ goesIn }) => goesIn);
      const back = answered && wayBack(answered);
      await navigate(back ?? (others.length === 0 ? `/families/${only}` : "/families"));
      return accepted;
    },
    said: (accepted) => ({
      text: [
        `${count(accepted.files, "file")} added`,
        accepted.licenseIds.length > 0 && `${count(accepted.licenseIds.length, "license")} recorded`,
      ]
        .filter(Boolean)
        .join(", ")
        .concat("."),
      undo: accepted.historyId,
    }),
  });
  const discard = useChange({
    of: "intake",
    change: async () => {
      const gone = await bodyOf(api.DELETE("/api/intakes/{id}", { params: { path: { id } } }));
      await navigate("/intake");
      return gone;
    },
    said: (gone) => (isRead ? { text: words.thrownAway, undo: gone.historyId } : words.thrownAway),
  });
  return (
    <Line>
      {overview && offered.length > 0 && (
        <fieldset className="offers">
          <legend>{words.recordWith}</legend>
          {offered.map((one) => (
            <FormControlLabel
              key={one.spdx}
              label={offer(one)}
              control={
                <Checkbox
                  size="small"
                  checked={!without.includes(one.spdx)}
                  onChange={(event) =>
                    setWithout(
                      event.target.checked
                        ? without.filter((spdx) => spdx !== one.spdx)
                        : [...without, one.spdx],
                    )
                  }
                />
              }
            />
          ))}
        </fieldset>
      )}
      {overview && included > 0 && (
        <div className="sentence">
          {words.restUnder}
          <LicenseChoice
            label={words.license}
            placeholder={words.toBeRecorded}
            chosen={license}
            onChange={setLicense}
          />
        </div>
      )}
      <div className="savebar">
        {overview && (
          <Button
            variant="contained"
            disabled={included === 0 || waiting || accept.isPending || accept.isSuccess}
            onClick={() => accept.mutate()}
          >
            {accept.isPending ? words.accepting : `${words.accept} ${count(included, "file")}`}
          </Button>
        )}
        <Button disabled={accept.isPending} onClick={() => setDiscarding(true)}>
          {words.throwAway}
        </Button>
        <span className="quiet">
          {overview &&
            (included === 0
              ? words.markOne
              : [willTakeIn(overview.verdicts), !license && words.laterIfNot].filter(Boolean).join(" "))}
        </span>
      </div>
      {discarding && (
        <Confirm
          title={words.throwThis}
          action={words.throwAway}
          onClose={() => setDiscarding(false)}
          onConfirm={() => discard.mutateAsync()}
        >
          {throwingAway(files, isRead)}
        </Confirm>
      )}
    </Line>
  );
}
