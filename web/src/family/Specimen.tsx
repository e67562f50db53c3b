import Slider from "@mui/material/Slider";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import type { HeldFile } from "../shared/api/types";
import { hasLatin } from "../shared/font/sample";
import { inFont, useStoredFont } from "../shared/font/storedFont";
import { formatName } from "../shared/parts/format";
import { words } from "./words";

const sizes = [14, 18, 24, 32, 44, 60];
const heading = "The morning ferry leaves at seven";
const line = "Five quick wharf cats jumped over big dozing hulks";
const paragraph =
  "Type is made to be read, so read this: the lines should hold together, the words stand apart, and no letter ask to be looked at. Figures such as 0123456789 belong among the letters, and so do “quotes”, dashes – like these – and an ampersand & its friends.";

type View = "paragraph" | "sizes" | "fallback";

/** Text set in one stored file: a heading and a paragraph, at many sizes, and next to what stands in until it has come. */
export function Specimen({ file }: { file: HeldFile }) {
  const font = useStoredFont(file.sha256);
  const [view, setView] = useState<View>("paragraph");
  const [own, setOwn] = useState("");
  const [size, setSize] = useState(19);
  const letters = [...file.sample].join(" ");
  const text = (usual: string) => own || (hasLatin(file.sample) ? usual : letters);
  return (
    <section aria-label={`${words.specimen} of ${file.slot.label}`}>
      <h2 className="section">
        {words.specimen}{" "}
        <small>
          {file.slot.label}, {formatName(file.format)}
        </small>
      </h2>
      <div className="specimen-choice">
        <ToggleButtonGroup
          exclusive
          value={view}
          onChange={(_, value: View | null) => value && setView(value)}
          aria-label={words.view}
        >
          <ToggleButton value="paragraph">{words.paragraph}</ToggleButton>
          <ToggleButton value="sizes">{words.sizes}</ToggleButton>
          <ToggleButton value="fallback">{words.fallback}</ToggleButton>
        </ToggleButtonGroup>
        <TextField
          label={words.ownWords}
          size="small"
          className="grows"
          value={own}
          onChange={(event) => setOwn(event.target.value)}
        />
        {view !== "sizes" && (
          <Slider
            className="specimen-size"
            min={12}
            max={48}
            value={size}
            onChange={(_, value) => setSize(value)}
            aria-label={words.sizeInPixels}
            valueLabelDisplay="auto"
          />
        )}
      </div>
      {font.state === "refused" && <p>{words.refused}</p>}
      {font.state === "failed" && <p>{words.failed}</p>}
      {view === "sizes" &&
        sizes.map((px) => (
          <div key={px} className="specimen-line">
            <span className="size">{px}</span>
            <span className="text" style={{ ...inFont(font), fontSize: px }}>
              {text(line)}
            </span>
          </div>
        ))}
      {view === "paragraph" && (
        <div className="specimen-text" style={{ ...inFont(font), fontSize: size }}>
          <div className="specimen-heading">{text(heading)}</div>
          <p>{text(paragraph)}</p>
        </div>
      )}
      {view === "fallback" && (
        <div className="specimen-pair" style={{ fontSize: size }}>
          <p style={inFont(font)}>{text(paragraph)}</p>
          <p className="specimen-fallback">{text(paragraph)}</p>
        </div>
      )}
    </section>
  );
}
