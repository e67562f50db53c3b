import Slider from "@mui/material/Slider";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState, type CSSProperties } from "react";
import { useGet } from "../shared/api/queries";
import type { Family, FileDetails, HeldFile } from "../shared/api/types";
import {
  axisName,
  featureSettings,
  isNumbered,
  placeOn,
  switchable,
  variationSettings,
  type Feature,
} from "../shared/font/features";
import { hasLatin } from "../shared/font/sample";
import { regularOf, shownFile } from "../shared/font/slots";
import { inFont, useStoredFont } from "../shared/font/storedFont";
import { Choice } from "../shared/parts/Choice";
import { OneFamilyChoice, type NamedRecord } from "../shared/parts/RecordChoice";
import { formatName, number } from "../shared/parts/format";
import { words } from "./words";

const sizes = [14, 18, 24, 32, 44, 60];
const heading = "The morning ferry leaves at seven";
const line = "Five quick wharf cats jumped over big dozing hulks";
const paragraph =
  "Type is made to be read, so read this: the lines should hold together, the words stand apart, and no letter ask to be looked at. Figures such as 0123456789 belong among the letters, and so do “quotes”, dashes – like these – and an ampersand & its friends.";

const views = ["paragraph", "sizes", "characters", "pair", "fallback"] as const;
type View = (typeof views)[number];

/** Text set in one stored file, with its features and axes to try, at many sizes, beside other type, and its characters. */
export function Specimen({ file, family }: { file: HeldFile; family: Family }) {
  const font = useStoredFont(file.sha256);
  const details = useGet("/api/files/{sha256}/details", { path: { sha256: file.sha256 } }).data;
  const [view, setView] = useState<View>("paragraph");
  const [own, setOwn] = useState("");
  const [size, setSize] = useState(19);
  const [switched, setSwitched] = useState<Switched>({});
  const [at, setAt] = useState<Places>({});
  const features = switchable(details?.features ?? []);
  const letters = [...file.sample].join(" ");
  const text = (usual: string) => own || (hasLatin(file.sample) ? usual : letters);
  const style: CSSProperties = {
    ...inFont(font),
    fontFeatureSettings: featureSettings(features, switched),
    fontVariationSettings: variationSettings(at),
  };
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
          {views.map((one) => (
            <ToggleButton key={one} value={one}>
              {words.views[one]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {view !== "characters" && (
          <TextField
            label={words.ownWords}
            size="small"
            className="grows"
            value={own}
            onChange={(event) => setOwn(event.target.value)}
          />
        )}
        {view !== "sizes" && view !== "characters" && (
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
      {details && view !== "characters" && (
        <>
          <Axes details={details} at={at} onChange={setAt} />
          <Features features={features} switched={switched} onChange={setSwitched} />
        </>
      )}
      {font.state === "refused" && <p>{words.refused}</p>}
      {font.state === "failed" && <p>{words.failed}</p>}
      {view === "sizes" &&
        sizes.map((px) => (
          <div key={px} className="specimen-line">
            <span className="size">{px}</span>
            <span className="text" style={{ ...style, fontSize: px }}>
              {text(line)}
            </span>
          </div>
        ))}
      {view === "paragraph" && (
        <div className="specimen-text" style={{ ...style, fontSize: size }}>
          <div className="specimen-heading">{text(heading)}</div>
          <p>{text(paragraph)}</p>
        </div>
      )}
      {view === "characters" && details && <Characters details={details} style={style} />}
      {view === "pair" && (
        <Pair family={family} style={style} size={size} heading={text(heading)} paragraph={text(paragraph)} />
      )}
      {view === "fallback" && (
        <div className="specimen-pair" style={{ fontSize: size }}>
          <p style={style}>{text(paragraph)}</p>
          <p className="specimen-fallback">{text(paragraph)}</p>
        </div>
      )}
    </section>
  );
}

type Switched = Record<string, boolean>;

/** Features to switch; the many that a foundry numbers itself are folded. */
function Features(props: {
  features: Feature[];
  switched: Switched;
  onChange: (switched: Switched) => void;
}) {
  const { features, switched, onChange } = props;
  const numbered = features.filter(({ tag }) => isNumbered(tag));
  const buttons = (some: Feature[], label: string) => (
    <ToggleButtonGroup
      className="features"
      size="small"
      aria-label={label}
      value={some.filter(({ tag, on }) => switched[tag] ?? on).map(({ tag }) => tag)}
      onChange={(_, chosen: string[]) =>
        onChange({ ...switched, ...Object.fromEntries(some.map(({ tag }) => [tag, chosen.includes(tag)])) })
      }
    >
      {some.map(({ tag, name }) => (
        <ToggleButton key={tag} value={tag} title={tag}>
          {name}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
  return (
    <>
      {numbered.length < features.length &&
        buttons(
          features.filter(({ tag }) => !isNumbered(tag)),
          words.features,
        )}
      {numbered.length > 0 && (
        <details className="numbered-features">
          <summary>
            {words.numbered} <span className="quiet">{numbered.length}</span>
          </summary>
          {buttons(numbered, words.numbered)}
        </details>
      )}
    </>
  );
}

type Places = Record<string, number>;

/** The axes of a variable font to move along, and its named instances to go to. */
function Axes(props: { details: FileDetails; at: Places; onChange: (at: Places) => void }) {
  const { axes, instances } = props.details;
  return axes.length === 0 ? null : (
    <div className="axes">
      {instances.length > 0 && (
        <Choice
          label={words.instance}
          width={170}
          value={instances.find((one) => axes.every(({ tag }) => props.at[tag] === one.at[tag]))?.name ?? ""}
          options={[["", words.noInstance], ...instances.map(({ name }) => [name, name] as const)]}
          onChange={(name) => props.onChange(instances.find((one) => one.name === name)?.at ?? {})}
        />
      )}
      {axes.map(({ tag, min, initial, max }) => (
        <label key={tag} className="axis">
          {axisName(tag)} <span className="quiet">{placeOn(props.at[tag] ?? initial)}</span>
          <Slider
            min={min}
            max={max}
            step={max - min > 20 ? 1 : (max - min) / 100}
            value={props.at[tag] ?? initial}
            onChange={(_, value) => props.onChange({ ...props.at, [tag]: value })}
            aria-label={axisName(tag)}
          />
        </label>
      ))}
    </div>
  );
}

/** More characters of a block than this are shown on request. */
const SHOWN_AT_FIRST = 400;

/** All characters of a font under the blocks of Unicode, each with its code point. */
function Characters({ details, style }: { details: FileDetails; style: CSSProperties }) {
  return details.characters.map((block, index) => (
    <Block key={block.name} block={block} open={index < 2} style={style} />
  ));
}

function Block(props: { block: FileDetails["characters"][number]; open: boolean; style: CSSProperties }) {
  const [all, setAll] = useState(false);
  const characters = [...props.block.characters];
  const shown = all ? characters : characters.slice(0, SHOWN_AT_FIRST);
  return (
    <details className="block" open={props.open}>
      <summary>
        <b>{props.block.name}</b> <span className="quiet">{number(characters.length)}</span>
      </summary>
      <ul className="characters" style={props.style}>
        {shown.map((character) => (
          <li key={character} title={codePoint(character)}>
            {character}
          </li>
        ))}
      </ul>
      {shown.length < characters.length && (
        <button type="button" className="act" onClick={() => setAll(true)}>
          {words.showAll} {number(characters.length)}
        </button>
      )}
    </details>
  );
}

function codePoint(character: string): string {
  return `U+${(character.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, "0")}`;
}

/** A heading in this font over text in another family, or the other way round. */
function Pair(props: {
  family: Family;
  style: CSSProperties;
  size: number;
  heading: string;
  paragraph: string;
}) {
  const [other, setOther] = useState<NamedRecord | null>(null);
  const [turned, setTurned] = useState(false);
  const files =
    useGet("/api/families/{id}", { path: { id: other?.id ?? "" } }, { enabled: other !== null }).data
      ?.files ?? [];
  const font = useStoredFont(
    shownFile(files.filter((file) => file.slot.key === regularOf(files)?.slot.key))?.sha256,
  );
  const otherStyle = other ? inFont(font) : {};
  return (
    <>
      <div className="sentence">
        {turned ? words.textIn : words.headingIn} {props.family.name}, {turned ? words.heading : words.text}{" "}
        <OneFamilyChoice
          label={words.otherFamily}
          placeholder={words.otherFamily}
          chosen={other}
          onChange={setOther}
        />
        <button type="button" className="act" onClick={() => setTurned(!turned)}>
          {words.turn}
        </button>
      </div>
      <div className="specimen-text" style={{ fontSize: props.size }}>
        <div className="specimen-heading" style={turned ? otherStyle : props.style}>
          {props.heading}
        </div>
        <p style={turned ? props.style : otherStyle}>{props.paragraph}</p>
      </div>
    </>
  );
}
