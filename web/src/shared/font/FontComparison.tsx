import type { FileComparison } from "../api/types";
import { percent } from "../parts/format";
import { featureName } from "./features";
import { inFont, useFontAt } from "./storedFont";
import { comparisonWords as words, inShort, more } from "./comparison";

type Side = { name: string; font: string };

/** In what two files differ: the answer first, then characters over each other, then facts that differ. */
export function FontComparison({ of, one, other }: { of: FileComparison; one: Side; other: Side }) {
  return (
    <>
      <p className="answer">{inShort(of)}</p>
      {of.changed.length > 0 && (
        <>
          <h2 className="section">
            {words.drawn} <small>{words.drawnHelp}</small>
          </h2>
          <p className="inks">
            <span className="ink-one" aria-hidden="true" /> {one.name}
            <span className="ink-other" aria-hidden="true" /> {other.name}
          </p>
          <ul className="overlays">
            {of.changed.map((changed) => (
              <Overlay key={changed.character} {...changed} />
            ))}
          </ul>
          <More count={of.changedCount} shown={of.changed.length} what={words.characters} />
        </>
      )}
      <Characters title={words.lost} characters={of.lost} count={of.lostCount} font={one.font} />
      <Characters title={words.added} characters={of.added} count={of.addedCount} font={other.font} />
      <Facts of={of} one={one.name} other={other.name} />
    </>
  );
}

type ChangedCharacter = FileComparison["changed"][number];

/** A character of the first file filled, and that of the second in outline over it. */
function Overlay({ character, alike, one, other }: ChangedCharacter) {
  const width = Math.max(one.advance, other.advance, 300);
  return (
    <li>
      <svg
        viewBox={`-120 -1000 ${width + 240} 1350`}
        role="img"
        aria-label={`${character}, ${percent(alike)} similar`}
      >
        <line className="baseline" x1={-120} x2={width + 120} y1={0} y2={0} />
        <g transform="scale(1 -1)">
          <path className="ink-one" d={one.path} />
          <path className="ink-other" d={other.path} />
        </g>
      </svg>
      <span className="quiet small">{percent(alike)}</span>
    </li>
  );
}

function Characters(props: { title: string; characters: string; count: number; font: string }) {
  const font = useFontAt(props.count > 0 ? props.font : undefined);
  return props.count === 0 ? null : (
    <>
      <h2 className="section">
        {props.title} <small>{props.count}</small>
      </h2>
      <p className="character-line" style={inFont(font)}>
        {[...props.characters].join(" ")}
      </p>
      <More count={props.count} shown={[...props.characters].length} what={words.characters} />
    </>
  );
}

function Facts({ of, one, other }: { of: FileComparison; one: string; other: string }) {
  const pairs = of.kerning.slice(0, 12);
  const rows = [
    ...of.facts,
    ...(of.featuresLost.length + of.featuresAdded.length > 0
      ? [
          {
            what: "features that only it has",
            one: of.featuresLost.map(featureName).join(", "),
            other: of.featuresAdded.map(featureName).join(", "),
          },
        ]
      : []),
    ...pairs.map((pair) => ({
      what: `kerning of ${pair.letters}, in 1/1000 em`,
      one: String(pair.one),
      other: String(pair.other),
    })),
  ];
  return rows.length === 0 ? null : (
    <>
      <h2 className="section">
        {words.facts} <small>{words.factsHelp}</small>
      </h2>
      <div className="scrolled">
        <table className="sheet facts">
          <thead>
            <tr>
              <th>{words.what}</th>
              <th>{one}</th>
              <th>{other}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((fact) => (
              <tr key={fact.what}>
                <th scope="row">{fact.what}</th>
                <td className="breaks">{fact.one || <span className="quiet">{words.none}</span>}</td>
                <td className="breaks">{fact.other || <span className="quiet">{words.none}</span>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <More count={of.kerningCount} shown={pairs.length} what={words.pairs} />
    </>
  );
}

function More({ count, shown, what }: { count: number; shown: number; what: string }) {
  return count > shown ? <p className="quiet small">{more(count - shown, what)}</p> : null;
}
