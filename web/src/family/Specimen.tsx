import Slider from "@mui/material/Slider";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import type { HeldFile } from "../shared/api/types";
import { formatLabels } from "../shared/parts/format";
import { hasLatin } from "../shared/parts/sample";
import { inFont, useStoredFont } from "./storedFont";

const sizes = [14, 18, 24, 32, 44, 60];
const pangram = "Five quick wharf cats jumped over big dozing hulks";
const paragraph =
  "Type is made to be read, so read this: the lines should hold together, the words stand apart, and no letter ask to be looked at. Figures such as 0123456789 belong among the letters, and so do “quotes”, dashes – like these – and an ampersand & its friends.";

type View = "waterfall" | "paragraph" | "fallback";

/** Text set in one stored file: at many sizes, in a paragraph, and next to what stands in until it has arrived. */
export function Specimen({ file }: { file: HeldFile }) {
  const font = useStoredFont(file.sha256);
  const [view, setView] = useState<View>("waterfall");
  const [words, setWords] = useState("");
  const [size, setSize] = useState(19);
  const own = [...file.sample].join(" ");
  const text = words || (!hasLatin(file.sample) ? own : view === "waterfall" ? pangram : paragraph);
  return (
    <section aria-label={`Specimen of ${file.slot.label}`}>
      <h2 className="section">
        Specimen{" "}
        <small>
          {file.slot.label}, {formatLabels[file.format]}
        </small>
      </h2>
      <div style={{ display: "flex", gap: 22, alignItems: "end", marginBottom: 12 }}>
        <ToggleButtonGroup
          exclusive
          value={view}
          onChange={(_, value: View | null) => value && setView(value)}
          aria-label="View"
        >
          <ToggleButton value="waterfall">Sizes</ToggleButton>
          <ToggleButton value="paragraph">Paragraph</ToggleButton>
          <ToggleButton value="fallback">Fallback</ToggleButton>
        </ToggleButtonGroup>
        <TextField
          label="Your own words"
          size="small"
          sx={{ flex: 1 }}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        {view !== "waterfall" && (
          <Slider
            sx={{ width: 110, flexShrink: 0, mr: 1 }}
            min={12}
            max={48}
            value={size}
            onChange={(_, value) => setSize(value)}
            aria-label="Size in pixels"
            valueLabelDisplay="auto"
          />
        )}
      </div>
      {font === null && <p>This file cannot be shown: the browser refuses it.</p>}
      {view === "waterfall" &&
        sizes.map((px) => (
          <div key={px} className="specimen-line">
            <span className="size">{px}</span>
            <span className="text" style={{ ...inFont(font), fontSize: px, lineHeight: 1.28 }}>
              {text}
            </span>
          </div>
        ))}
      {view === "paragraph" && (
        <p style={{ ...inFont(font), fontSize: size, lineHeight: 1.5, maxWidth: "62ch", margin: 0 }}>
          {text}
        </p>
      )}
      {view === "fallback" && (
        <div className="specimen-pair">
          <p style={{ ...inFont(font), fontSize: size, lineHeight: 1.5, margin: 0 }}>{text}</p>
          <p
            style={{ fontFamily: "Georgia, serif", fontSize: size, lineHeight: 1.5, margin: 0 }}
            className="quiet"
          >
            {text}
          </p>
        </div>
      )}
    </section>
  );
}
