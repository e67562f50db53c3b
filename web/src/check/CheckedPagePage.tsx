import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { Fragment, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { useGet } from "../shared/api/queries";
import type { CheckedText, PageNote, TextRun } from "../shared/api/types";
import { useStoredFont } from "../shared/font/storedFont";
import { Leaf, Line } from "../shared/layout/Leaf";
import { SiteLeaves } from "../shared/layout/SiteLeaves";
import { Copy } from "../shared/parts/Copy";
import { useRovingFocus } from "../shared/parts/useRovingFocus";
import { NotHere } from "../shared/states/NotHere";
import { shortAddress } from "../shared/parts/address";
import { blocks, fileName, isGivenOtherwise, notesOfNoText, stretches, styleOf } from "./pages";
import { useChecks } from "./useChecks";
import {
  askedInWords,
  browserInWords,
  changedInWords,
  decidersOf,
  givenInWords,
  kindOf,
  pageStanding,
  whatDecides,
  words,
} from "./words";

/** A page under check: its text as visitors get it, with notes where something else was asked. */
export function CheckedPagePage() {
  const { id = "", position = "" } = useParams();
  const [search] = useSearchParams();
  const latest = useChecks(id).done?.id;
  const check = search.get("check") ?? latest ?? "";
  const site = useGet("/api/sites/{id}", { path: { id } });
  const page = useGet(
    "/api/checks/{id}/pages/{position}",
    { path: { id: check, position: Number(position) } },
    { enabled: check !== "" },
  );
  return site.data && page.data ? (
    <Leaf
      title={page.data.title || shortAddress(page.data.url)}
      above={
        <>
          <Link to="/sites">Sites</Link> · <Link to={`/sites/${id}`}>{site.data.name}</Link> ·{" "}
          <Link to={`/sites/${id}/pages`}>{words.pages}</Link>
        </>
      }
      below={
        <>
          <a href={page.data.url} target="_blank" rel="noreferrer">
            {shortAddress(page.data.url)}
          </a>
          {page.data.browser && ` · ${browserInWords(page.data.browser)}`}
        </>
      }
      leaves={<SiteLeaves id={id} />}
    >
      <Page page={page.data} />
    </Leaf>
  ) : (
    <NotHere
      error={site.error ?? page.error}
      again={() => void Promise.all([site.refetch(), page.refetch()])}
      all={`/sites/${id}/pages`}
      allWords={words.allPages}
    />
  );
}

function Page({ page }: { page: CheckedText }) {
  const files = notesOfNoText(page.runs, page.notes);
  const [picked, setPicked] = useState<TextRun | null>(null);
  const texts = useRovingFocus<HTMLDivElement>();
  const isTried = page.runs.some(({ after }) => after !== null);
  const [view, setView] = useState<"now" | "after">("now");
  return (
    <>
      <Line
        notes={files.map((note, i) => (
          <Note key={i} note={note} />
        ))}
      >
        <p className="answer">{view === "after" ? words.changesAre : pageStanding(page)}</p>
        {page.browser?.textKept === false && <p className="quiet small">{words.charactersOnly}</p>}
        {isTried && (
          <div className="specimen-choice">
            <ToggleButtonGroup
              exclusive
              value={view}
              onChange={(_, value: "now" | "after" | null) => value && setView(value)}
              aria-label={words.whichView}
            >
              <ToggleButton value="now">{words.asIs}</ToggleButton>
              <ToggleButton value="after">{words.withPack}</ToggleButton>
            </ToggleButtonGroup>
            <span className="quiet small">{changedInWords(page.runs)}</span>
          </div>
        )}
        {page.runs.length > 0 && <p className="quiet small">{words.pickText}</p>}
      </Line>
      <div className="checked-page" aria-label={page.title} role="article" ref={texts}>
        {stretches(blocks(page.runs, page.notes)).map((part, i) => (
          <Line
            key={i}
            notes={
              <>
                {picked && part.some((block) => block.runs.includes(picked)) && <Picked run={picked} />}
                {part[0]?.notes
                  .map((note) => ({ note, run: page.runs.find(({ path }) => path === note.path) }))
                  .filter(({ run }) => view === "now" || !run?.after)
                  .map(({ note, run }, n) => (
                    <Note key={n} note={note} run={run} />
                  ))}
              </>
            }
          >
            {part.map((block, b) => (
              <p key={b} className="checked-block" data-row>
                {block.runs.map((run, n) => (
                  <Run
                    key={n}
                    run={run}
                    after={view === "after" ? run.after : null}
                    notes={page.notes}
                    picked={run === picked}
                    onPick={() => setPicked(run === picked ? null : run)}
                  />
                ))}
              </p>
            ))}
          </Line>
        ))}
      </div>
    </>
  );
}

type RunProps = {
  run: TextRun;
  after: TextRun["after"];
  notes: PageNote[];
  picked: boolean;
  onPick: () => void;
};

/** A text in what most of it is shown in, now or with a new pack; pressed, the margin says what decides on it. */
function Run({ run, after, notes, picked, onPick }: RunProps) {
  const shown = after ?? run;
  const [main] = shown.given;
  const font = useStoredFont(main?.sha256 ?? undefined);
  const style = styleOf(shown, main, font.state === "ready" ? font.name : null);
  return (
    <>
      <button type="button" className="checked-text" aria-pressed={picked} onClick={onPick} style={style}>
        {after !== null && main ? (
          <mark className="with-pack" title={givenInWords(main)}>
            {run.text}
          </mark>
        ) : isGivenOtherwise(run, notes) ? (
          <mark title={`${words.asked}: ${askedInWords(run)}`}>{run.text}</mark>
        ) : (
          run.text
        )}
      </button>{" "}
    </>
  );
}

/** What one picked text asks for, what it is shown in, and the declarations that decide. */
function Picked({ run }: { run: TextRun }) {
  const [main] = run.given;
  const [after] = run.after?.given ?? [];
  return (
    <div role="status" className="note check-note picked-text" aria-label={words.pickedText}>
      <div className="group">{words.pickedText}</div>
      <dl className="asked-given">
        <dt>{words.asked}</dt>
        <dd>{askedInWords(run)}</dd>
        <dt>{words.given}</dt>
        <dd>{main ? givenInWords(main) : ""}</dd>
        {after && (
          <>
            <dt>{words.withPack}</dt>
            <dd>{givenInWords(after)}</dd>
          </>
        )}
        {decidersOf(run).map(({ of, rule }) => (
          <Fragment key={of}>
            <dt>{of}</dt>
            <dd className="small">{rule === null ? words.noDecider : whatDecides(rule)}</dd>
          </Fragment>
        ))}
      </dl>
      <div className="digest quiet">{run.path}</div>
    </div>
  );
}

function Note({ note, run }: { note: PageNote; run?: TextRun }) {
  const tone = note.severity === "error" ? "stop" : note.severity === "warning" ? "warn" : "ask";
  const [main] = run?.given ?? [];
  return (
    <div role="group" className={`note check-note ${tone}`} aria-label={`${kindOf(note)}: ${note.message}`}>
      <div className="group">
        {kindOf(note)}
        {note.onPhoneOnly && ` · ${words.onPhone}`}
      </div>
      {run && main && !note.onPhoneOnly && (
        <dl className="asked-given">
          <dt>{words.asked}</dt>
          <dd>{askedInWords(run)}</dd>
          <dt>{words.given}</dt>
          <dd>{givenInWords(main)}</dd>
          {run.rule && (
            <>
              <dt>{words.by}</dt>
              <dd className="digest">
                {run.rule.selector} ({fileName(run.rule.url)}, line {run.rule.line})
              </dd>
            </>
          )}
        </dl>
      )}
      <div className="why">{note.message}</div>
      {note.fix !== null && (
        <>
          <code className="proof-fix">{note.fix}</code>
          <Copy text={note.fix} label={words.copy} />
        </>
      )}
    </div>
  );
}
