import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";

const places: Record<string, [string, string]> = {
  t: ["/", "Today"],
  i: ["/intake", "Intake"],
  a: ["/families", "Families"],
  l: ["/licenses", "Licenses"],
  s: ["/sites", "Sites"],
  f: ["/flags", "Flags"],
};

/** Keys: `g` and a letter goes to a place, `/` searches, `?` lists them. */
export function Shortcuts() {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  useEffect(() => {
    let going = false;
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (
        target.closest("input, textarea, select, [role=combobox], [role=dialog]") ||
        event.ctrlKey ||
        event.metaKey
      ) {
        return;
      }
      const place = places[event.key];
      if (going && place) {
        void navigate(place[0]);
      } else if (event.key === "?") {
        setOpen(true);
      } else if (event.key === "/") {
        event.preventDefault();
        document.getElementById("search")?.focus();
      }
      going = event.key === "g" && !going;
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [navigate]);
  return (
    <Dialog open={open} onClose={() => setOpen(false)} aria-labelledby="shortcuts">
      <DialogTitle id="shortcuts">Keys</DialogTitle>
      <DialogContent>
        <table className="sheet">
          <tbody>
            <Key keys="/" does="Search, or drop a font there" />
            <Key keys="?" does="This list" />
            {Object.entries(places).map(([key, [, name]]) => (
              <Key key={key} keys={`g ${key}`} does={`Go to ${name}`} />
            ))}
          </tbody>
        </table>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => setOpen(false)}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function Key({ keys, does }: { keys: string; does: string }) {
  return (
    <tr>
      <td>
        <kbd>{keys}</kbd>
      </td>
      <td>{does}</td>
    </tr>
  );
}
