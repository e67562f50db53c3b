import TextField from "@mui/material/TextField";
import type { Role } from "../../shared/api/types";
import { settingInWords, settingWords, words } from "../words";
import { familiesIn } from "./roles";

type Props = { role: Role; name: string; onChange: (role: Role) => void };

const fields = ["selector", "size", "lineHeight", "letterSpacing", "wordSpacing"] as const;

/** Where a role's rule applies and what it says besides the face: read as a line, opened to be edited. */
export function RoleSetting({ role, name, onChange }: Props) {
  return (
    <details className="role-setting">
      <summary className="small">{settingInWords(role)}</summary>
      <div className="in-a-row">
        {fields.map((field) => (
          <TextField
            key={field}
            label={settingWords[field]}
            placeholder={words.asItIs}
            value={role[field]}
            slotProps={{ htmlInput: { "aria-label": `${name}: ${settingWords[field].toLowerCase()}` } }}
            onChange={(event) => onChange({ ...role, [field]: event.target.value })}
          />
        ))}
        <TextField
          label={words.fallbacks}
          placeholder={words.fallbacksUsual}
          defaultValue={role.fallbacks.join(", ")}
          slotProps={{ htmlInput: { "aria-label": `${name}: ${words.fallbacks.toLowerCase()}` } }}
          onChange={(event) => onChange({ ...role, fallbacks: familiesIn(event.target.value) })}
        />
      </div>
    </details>
  );
}
