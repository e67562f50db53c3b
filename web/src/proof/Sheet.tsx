import { memo, useMemo, useState } from "react";
import type { Finding } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { corrected, pieces, stretches, type Stretch } from "./sheet";
import { folded, kindOf, words } from "./words";

type Props = {
  css: string;
  findings: readonly Finding[];
  disabled: boolean;
  onCorrect: (css: string) => void;
};

/** The text with line numbers, marks where something was found, and beside each line what it is and its correction. */
export function Sheet({ css, findings, disabled, onCorrect }: Props) {
  const [unfolded, setUnfolded] = useState<number[]>([]);
  const parts = useMemo(() => stretches(css, findings, unfolded), [css, findings, unfolded]);
  return (
    <div className="proof-sheet">
      {parts.map((part) =>
        "folded" in part ? (
          <Line key={part.first}>
            <button
              type="button"
              className="act proof-fold"
              onClick={() => setUnfolded((now) => [...now, part.first])}
            >
              {folded(part.folded)}
            </button>
          </Line>
        ) : (
          <Line
            key={part.first}
            notes={part.findings.map((finding) => (
              <Note
                key={findings.indexOf(finding)}
                finding={finding}
                number={findings.indexOf(finding) + 1}
                disabled={disabled}
                onCorrect={() => onCorrect(corrected(css, finding))}
              />
            ))}
          >
            <Lines part={part} numberOf={(finding) => findings.indexOf(finding) + 1} />
          </Line>
        ),
      )}
    </div>
  );
}

type LinesProps = {
  part: Extract<Stretch, { lines: string[] }>;
  numberOf: (finding: Finding) => number;
};

const Lines = memo(function Lines({ part, numberOf }: LinesProps) {
  return (
    <pre className="proof-lines">
      {part.lines.map((line, i) => (
        <code key={part.first + i} data-line={part.first + i}>
          {pieces(
            line,
            part.findings.filter((finding) => finding.line === part.first + i),
            numberOf,
          ).map((piece, at) =>
            piece.number ? (
              <mark key={at}>
                {piece.text}
                <sup>{piece.number}</sup>
              </mark>
            ) : (
              piece.text
            ),
          )}
          {"\n"}
        </code>
      ))}
    </pre>
  );
});

type NoteProps = { finding: Finding; number: number; disabled: boolean; onCorrect: () => void };

function Note({ finding, number, disabled, onCorrect }: NoteProps) {
  return (
    <div
      role="group"
      className="note proof-note"
      aria-label={`${number}, line ${finding.line}: ${kindOf(finding)}`}
    >
      <span className="sign" aria-hidden>
        {number}
      </span>
      <div className="group">{kindOf(finding)}</div>
      <div className="why">{finding.message}</div>
      {finding.fix !== null && <code className="proof-fix">{finding.fix}</code>}
      {finding.edits.length > 0 ? (
        <button type="button" className="act" disabled={disabled} onClick={onCorrect}>
          {words.apply}
        </button>
      ) : (
        <div className="quiet small">{words.byHand}</div>
      )}
    </div>
  );
}
