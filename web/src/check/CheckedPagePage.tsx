import { Link, useParams, useSearchParams } from "react-router";
import { useGet } from "../shared/api/queries";
import type { CheckedText, PageNote, TextRun } from "../shared/api/types";
import { useStoredFont } from "../shared/font/storedFont";
import { Leaf, Line } from "../shared/layout/Leaf";
import { SiteLeaves } from "../shared/layout/SiteLeaves";
import { Copy } from "../shared/parts/Copy";
import { NotHere } from "../shared/states/NotHere";
import { shortAddress } from "../shared/parts/address";
import { blocks, fileName, isGivenOtherwise, notesOfNoText, stretches, styleOf } from "./pages";
import { useChecks } from "./useChecks";
import { askedInWords, browserInWords, givenInWords, kindOf, pageStanding, words } from "./words";

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
  return (
    <>
      <Line
        notes={files.map((note, i) => (
          <Note key={i} note={note} />
        ))}
      >
        <p className="answer">{pageStanding(page)}</p>
        {page.browser?.textKept === false && <p className="quiet small">{words.charactersOnly}</p>}
      </Line>
      <div className="checked-page" aria-label={page.title} role="article">
        {stretches(blocks(page.runs, page.notes)).map((part, i) => (
          <Line
            key={i}
            notes={part[0]?.notes.map((note, n) => (
              <Note key={n} note={note} run={page.runs.find((run) => run.path === note.path)} />
            ))}
          >
            {part.map((block, b) => (
              <p key={b} className="checked-block">
                {block.runs.map((run, n) => (
                  <Run key={n} run={run} notes={page.notes} />
                ))}
              </p>
            ))}
          </Line>
        ))}
      </div>
    </>
  );
}

/** A text in what most of it is painted in. */
function Run({ run, notes }: { run: TextRun; notes: PageNote[] }) {
  const [main] = run.given;
  const font = useStoredFont(main?.sha256 ?? undefined);
  const style = styleOf(run, main, font.state === "ready" ? font.name : null);
  return (
    <>
      {isGivenOtherwise(run, notes) ? (
        <mark style={style} title={`${words.asked}: ${askedInWords(run)}`}>
          {run.text}
        </mark>
      ) : (
        <span style={style}>{run.text}</span>
      )}{" "}
    </>
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
