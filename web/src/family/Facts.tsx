import type { ReactNode } from "react";
import { useGet } from "../shared/api/queries";
import type { Family, FileDetails, HeldFile } from "../shared/api/types";
import { axisName, featureName } from "../shared/font/features";
import { Choice, type Option } from "../shared/parts/Choice";
import { baseName, count, formatName, number } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { charactersIn, languagesIn, linesIn, permissionsIn } from "./facts";
import { words } from "./words";

/** What a file says of itself: languages, characters, layout, metrics, and its own words on license and use. */
export function Facts(props: { family: Family; file: HeldFile; choose: (face: string) => void }) {
  const { family, file } = props;
  const details = useGet("/api/files/{sha256}/details", { path: { sha256: file.sha256 } });
  const faces = [
    ...new Map(family.files.map((one) => [one.slot.key, one.slot.label] as const)),
  ] satisfies Option[];
  return (
    <>
      <h2 className="section">
        {words.facts}{" "}
        <small>
          {words.readFrom} {baseName(file.fileName)}, {formatName(file.format)}
        </small>
      </h2>
      {faces.length > 1 && (
        <div className="sentence">
          {words.face}{" "}
          <Choice
            hideLabel
            label={words.face}
            value={file.slot.key}
            options={faces}
            onChange={props.choose}
          />
        </div>
      )}
      <Shown of={details} lines={9}>
        {(facts) => <FactsOf facts={facts} />}
      </Shown>
    </>
  );
}

function FactsOf({ facts }: { facts: FileDetails }) {
  return (
    <dl className="facts-list">
      <Fact name="Languages" says={languagesIn(facts)}>
        {facts.nearly.length > 0 && (
          <details>
            <summary>
              {count(facts.nearly.length, "language lacks", "languages lack")} a few characters
            </summary>
            <ul>
              {facts.nearly.map((one) => (
                <li key={one.language}>
                  {one.language}: <span className="character-line">{one.lacking}</span>
                </li>
              ))}
            </ul>
          </details>
        )}
        {facts.languages.length > 0 && (
          <details>
            <summary>All that it covers</summary>
            <p>{facts.languages.join(", ")}</p>
          </details>
        )}
      </Fact>
      <Fact name="Characters" says={charactersIn(facts)}>
        {facts.cutDown.length > 0 && (
          <p className="ochre">It looks like a subset: {facts.cutDown.join("; ")}.</p>
        )}
      </Fact>
      {facts.axes.length > 0 && (
        <Fact
          name="Axes"
          says={facts.axes.map((axis) => `${axisName(axis.tag)} ${axis.min} to ${axis.max}`).join(", ")}
        >
          {facts.instances.length > 0 && (
            <details>
              <summary>{count(facts.instances.length, "named instance")}</summary>
              <p>{facts.instances.map((instance) => instance.name).join(", ")}</p>
            </details>
          )}
        </Fact>
      )}
      <Fact
        name="Layout features"
        says={facts.features.length === 0 ? "None." : `${facts.features.map(featureName).join(", ")}.`}
      />
      <Fact name="Line height" says={linesIn(facts)}>
        <details>
          <summary>Vertical metrics as the file has them</summary>
          <div className="scrolled">
            <table className="sheet">
              <tbody>
                {facts.metrics.map((metric) => (
                  <tr key={metric.name}>
                    <th scope="row">{metric.name}</th>
                    <td className="number">{number(metric.value)}</td>
                  </tr>
                ))}
                <tr>
                  <th scope="row">units per em</th>
                  <td className="number">{number(facts.unitsPerEm)}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </details>
      </Fact>
      <Fact name="License, in its own words" says={permissionsIn(facts)}>
        {facts.marks.map((mark) => (
          <p key={mark} className="ochre breaks">
            {mark}
          </p>
        ))}
        {facts.copyright && <p className="breaks">{facts.copyright}</p>}
        {facts.license && <p className="breaks">{facts.license}</p>}
        {facts.licenseUrl && <p className="breaks quiet">{facts.licenseUrl}</p>}
        {facts.trademark && <p className="breaks quiet">{facts.trademark}</p>}
      </Fact>
      {(facts.designer || facts.foundry) && (
        <Fact name="Made by" says={[facts.designer, facts.foundry].filter(Boolean).join(", ")} />
      )}
      <Fact
        name="Technique"
        says={[facts.hinting, ...facts.color, facts.opticalSize && `drawn for ${facts.opticalSize}`]
          .filter(Boolean)
          .join(", ")}
      />
      {facts.problems.length > 0 && (
        <Fact name="Problems" says="">
          <ul className="ochre">
            {facts.problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </Fact>
      )}
    </dl>
  );
}

function Fact({ name, says, children }: { name: string; says: string; children?: ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>
        {says}
        {children}
      </dd>
    </>
  );
}
