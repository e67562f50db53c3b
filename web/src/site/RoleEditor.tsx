import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { OneFamilyChoice } from "../family/FamilyChoice";
import { SlotGrid } from "../family/SlotGrid";
import { staticSlot, type Ask, type Cell } from "../family/slots";
import type { Family, Role } from "../shared/api/types";
import { genericWords, roleWords } from "./roles";

type Props = { role: Role; family?: Family; onChange: (role: Role) => void; onRemove: () => void };

/** One text role: its family, the generic its stack ends in, and the faces picked from the family's slot grid. */
export function RoleEditor({ role, family, onChange, onRemove }: Props) {
  const words = roleWords[role.role];
  const toggle = (cell: Cell) => {
    const picked = role.faces.some((face) => face.key === cell.slot.key);
    onChange({
      ...role,
      faces: picked ? role.faces.filter((face) => face.key !== cell.slot.key) : [...role.faces, cell.slot],
    });
  };
  const askFor = (weight: number, slope: string) =>
    onChange({ ...role, faces: [...role.faces, staticSlot(weight, slope)] });
  const asks: Ask[] = role.faces.map((slot) => ({ slot, by: ["this site"] }));
  return (
    <div style={{ padding: "10px 0 14px", borderBottom: "1px solid var(--rule)" }}>
      <div style={{ display: "flex", gap: 18, alignItems: "baseline", marginBottom: 10 }}>
        <b style={{ width: 110 }}>{words}</b>
        <OneFamilyChoice
          key={family?.id ?? role.familyId}
          label={`${words}: family`}
          placeholder="Choose a family"
          chosen={family ? { id: family.id, name: family.name } : null}
          onChange={(chosen) => onChange({ ...role, familyId: chosen.id, faces: [] })}
        />
        <span className="quiet">then</span>
        <TextField
          select
          value={role.generic}
          sx={{ minWidth: 110 }}
          slotProps={{ htmlInput: { "aria-label": `${words}: generic family` } }}
          onChange={(event) => onChange({ ...role, generic: event.target.value as Role["generic"] })}
        >
          {Object.entries(genericWords).map(([generic, css]) => (
            <MenuItem key={generic} value={generic}>
              {css}
            </MenuItem>
          ))}
        </TextField>
        <span style={{ marginLeft: "auto" }}>
          <Button size="small" onClick={onRemove} aria-label={`Remove the role ${words}`}>
            Remove
          </Button>
        </span>
      </div>
      <div style={{ display: "flex", gap: 18, alignItems: "end", flexWrap: "wrap" }}>
        {family && (
          <SlotGrid
            small
            files={family.files}
            asks={asks}
            picked={(slot) => role.faces.some((face) => face.key === slot.key)}
            onPick={toggle}
          />
        )}
        <AskOther role={role} family={family} words={words} onAsk={askFor} />
      </div>
    </div>
  );
}

/** Asks for a face that is not held, so that it is flagged as missing. */
function AskOther(props: {
  role: Role;
  family?: Family;
  words: string;
  onAsk: (weight: number, slope: string) => void;
}) {
  const { role, family, words } = props;
  const has = (key: string) =>
    role.faces.some((face) => face.key === key) || family?.files.some((file) => file.slot.key === key);
  const others = [300, 400, 500, 600, 700, 900].flatMap((weight) =>
    ["upright", "italic"]
      .filter((slope) => !has(`${weight}-100-${slope}`))
      .map((slope) => ({ weight, slope })),
  );
  return (
    <TextField
      select
      value=""
      label="Ask for another face"
      sx={{ minWidth: 180 }}
      slotProps={{ htmlInput: { "aria-label": `${words}: ask for another face` } }}
      onChange={(event) => {
        const [weight, slope] = event.target.value.split(" ");
        props.onAsk(Number(weight), slope!);
      }}
    >
      {others.map(({ weight, slope }) => (
        <MenuItem key={weight + slope} value={`${weight} ${slope}`}>
          {weight} {slope}
        </MenuItem>
      ))}
    </TextField>
  );
}
