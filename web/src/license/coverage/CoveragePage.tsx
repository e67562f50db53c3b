import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { useGet } from "../../shared/api/queries";
import { Leaf, Line } from "../../shared/layout/Leaf";
import { Choice } from "../../shared/parts/Choice";
import { useFilter } from "../../shared/parts/RecordList";
import { useClients } from "../../shared/parts/useClients";
import { Shown } from "../../shared/states/States";
import { LicenseLeaves } from "../LicenseLeaves";
import { useBlocks } from "./blocks";
import { CrossingNote } from "./CrossingNote";
import { Grid } from "./Grid";
import { size, words } from "./words";

const firstBlock = [0];

/** Families against sites: every crossing decided, in use or not. The filter is the address. */
export function CoveragePage() {
  const [params, setParams] = useSearchParams();
  const typed = useFilter(params.get("name") ?? "");
  const clients = useClients().data ?? [];
  const filter = {
    name: typed.words,
    client: params.get("client") ?? "",
    used: params.get("used") === "true",
  };
  const [chosen, setChosen] = useState<{ familyId: string; siteId: string } | null>(null);
  const known = useGet("/api/coverage/size", {
    query: { name: filter.name || undefined, client: filter.client || undefined, used: filter.used },
  });
  // Asked for together with the size: the grid, which is drawn once the size is known, then finds it read.
  useBlocks(filter, firstBlock, firstBlock);
  const narrow = (name: string, value: string) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        if (value) {
          next.set(name, value);
        } else {
          next.delete(name);
        }
        return next;
      },
      { replace: true },
    );
  return (
    <Leaf
      title={words.title}
      below={words.below}
      leaves={<LicenseLeaves />}
      actions={
        <>
          <FormControlLabel
            label={words.used}
            control={
              <Checkbox
                size="small"
                checked={filter.used}
                onChange={(event) => narrow("used", event.target.checked ? "true" : "")}
              />
            }
          />
          <Choice
            label={words.client}
            value={filter.client}
            options={[["", words.allClients], ...clients.map((client) => [client.id, client.name] as const)]}
            onChange={(id) => narrow("client", id)}
            width={170}
          />
          <TextField
            label={words.filter}
            size="small"
            value={typed.typed}
            onChange={(event) => {
              typed.setTyped(event.target.value);
              narrow("name", event.target.value.trim());
            }}
          />
        </>
      }
    >
      <Line notes={chosen && <CrossingNote key={chosen.familyId + chosen.siteId} {...chosen} />}>
        <Shown of={known} lines={9}>
          {({ families, sites }) =>
            families * sites === 0 ? (
              <p className="empty">{words.none}</p>
            ) : (
              <>
                <Grid
                  key={JSON.stringify(filter)}
                  rows={families}
                  columns={sites}
                  filter={filter}
                  onChoose={(familyId, siteId) => setChosen({ familyId, siteId })}
                />
                <p className="quiet small">
                  {size(families, sites)}. {words.pick}
                </p>
              </>
            )
          }
        </Shown>
      </Line>
    </Leaf>
  );
}
