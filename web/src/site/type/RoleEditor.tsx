import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Family, Role, Site } from "../../shared/api/types";
import { SlotGrid } from "../../shared/font/SlotGrid";
import { isAsked, staticSlot, toggled, type Ask } from "../../shared/font/slots";
import { Choice } from "../../shared/parts/Choice";
import { OneFamilyChoice } from "../../shared/parts/RecordChoice";
import { RoleSetting } from "./RoleSetting";
import { fakedIn, genericOf } from "./roles";
import { useFamilyWeight } from "./useWeight";
import { deliveredInWords, fakedInWords, genericWords, roleName, words } from "../words";

type Props = {
  site: Site;
  role: Role;
  family?: Family;
  onChange: (role: Role) => void;
  onRemove: () => void;
};

const generics = Object.entries(genericWords) as [Role["generic"], string][];

/** One text role: its family, the generic its stack ends in, and the faces picked from the family's slot grid. */
export function RoleEditor({ site, role, family, onChange, onRemove }: Props) {
  const weights = useFamilyWeight(site, family);
  const name = roleName(role.role);
  const asks: Ask[] = role.faces.map((slot) => ({ slot, by: ["this site"] }));
  return (
    <div className="role">
      <div className="role-head">
        <OneFamilyChoice
          key={family?.id ?? role.familyId}
          label={`${name}: family`}
          placeholder={words.chooseFamily}
          chosen={family ? { id: family.id, name: family.name } : null}
          onChange={(chosen) =>
            onChange({
              ...role,
              familyId: chosen.id,
              faces: [],
              generic: genericOf(chosen.classification) ?? role.generic,
            })
          }
        />
        <span className="quiet">{words.then}</span>
        <Choice
          hideLabel
          label={`${name}: generic family`}
          width={110}
          value={role.generic}
          options={generics}
          onChange={(generic) => onChange({ ...role, generic })}
        />
        <Button size="small" className="to-the-end" onClick={onRemove} aria-label={`Remove the role ${name}`}>
          {words.removeRole}
        </Button>
      </div>
      {role.faces.length > 0 && fakedIn(role).length > 0 && (
        <p className="quiet small">{fakedInWords(fakedIn(role))}</p>
      )}
      <RoleSetting role={role} name={name} onChange={onChange} />
      <div className="role-faces">
        {family && (
          <SlotGrid
            files={family.files}
            asks={asks}
            picked={(slot) => isAsked(role.faces, slot)}
            weighs={(slot) => deliveredInWords(weights, slot.key)}
            onPick={(cell) => onChange({ ...role, faces: toggled(role.faces, cell.slot) })}
          />
        )}
        <AskOther
          role={role}
          family={family}
          name={name}
          onAsk={(weight, slope) => onChange({ ...role, faces: [...role.faces, staticSlot(weight, slope)] })}
        />
      </div>
    </div>
  );
}

const weights = [300, 400, 500, 600, 700, 900];
const slopes = ["upright", "italic"];

type OtherProps = {
  role: Role;
  family?: Family;
  name: string;
  onAsk: (weight: number, slope: string) => void;
};

/** Asks for a face that is not held, so that it is flagged as missing. */
function AskOther({ role, family, name, onAsk }: OtherProps) {
  const has = (key: string) =>
    role.faces.some((face) => face.key === key) || family?.files.some((file) => file.slot.key === key);
  const others = weights
    .flatMap((weight) => slopes.map((slope) => ({ weight, slope, key: staticSlot(weight, slope).key })))
    .filter(({ key }) => !has(key));
  return (
    <TextField
      select
      value=""
      label={words.askOther}
      sx={{ minWidth: 180 }}
      slotProps={{ htmlInput: { "aria-label": `${name}: ask for another face` } }}
      onChange={(event) => {
        const other = others.find(({ key }) => key === event.target.value);
        if (other) {
          onAsk(other.weight, other.slope);
        }
      }}
    >
      {others.map(({ weight, slope, key }) => (
        <MenuItem key={key} value={key}>
          {weight} {slope}
        </MenuItem>
      ))}
    </TextField>
  );
}
