import { useIsMutating } from "@tanstack/react-query";
import { useCallback } from "react";
import { Link, useParams } from "react-router";
import { useMayEdit, usePeople } from "../shared/account/session";
import { useGet, usePages } from "../shared/api/queries";
import { useAskAgainAfter } from "../shared/api/useAskAgainAfter";
import type { Intake, IntakeFamily } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Rows } from "../shared/parts/Rows";
import { uploadsInWords } from "../shared/parts/uploads";
import { NotHere } from "../shared/states/NotHere";
import { Shown } from "../shared/states/States";
import { Progress } from "../shared/parts/Progress";
import { Decision } from "./Decision";
import { IntakeFamilyRow } from "./IntakeFamilyRow";
import { SetAside } from "./SetAside";
import { useProgress } from "./useProgress";
import { answerOf, brought, standing, standingWords, words } from "./words";

/** Should the server's events not come through. */
const WHILE_READING_MILLISECONDS = 3_000;
const AT_ONCE = 40;

/** One drop under review: its answer first, then its families, those to decide on before those that are plain. */
export function IntakePage() {
  const { id = "" } = useParams();
  const found = useGet(
    "/api/intakes/{id}",
    { path: { id }, query: { limit: 1 } },
    { refetchInterval: (intake) => (intake?.state === "READING" ? WHILE_READING_MILLISECONDS : false) },
  );
  const people = usePeople();
  const { refetch } = found;
  const reread = useCallback(() => void refetch(), [refetch]);
  useAskAgainAfter(found.data?.state === "READING", "intake");
  if (!found.data) {
    return (
      <NotHere error={found.error} again={() => void found.refetch()} all="/intake" allWords={words.all} />
    );
  }
  const { state, summary } = found.data;
  return (
    <Leaf
      title={uploadsInWords(summary.uploads)}
      above={<Link to="/intake">{words.title}</Link>}
      below={standing(summary, people(summary.createdBy))}
    >
      {state === "READING" ? (
        <Reading intake={found.data} onEnd={reread} />
      ) : (
        <Read key={id} intake={found.data} />
      )}
    </Leaf>
  );
}

function Reading({ intake: { summary }, onEnd }: { intake: Intake; onEnd: () => void }) {
  const { doneBytes, totalBytes, path } = useProgress(summary.id, onEnd) ?? { ...summary, path: "" };
  const mayEdit = useMayEdit();
  return (
    <>
      <Line>
        <Progress label={words.reading} done={doneBytes} total={totalBytes} />
        <p className="quiet">{words.goesOn}</p>
        {path && (
          <p className="quiet breaks">
            {words.lately} {path}
          </p>
        )}
      </Line>
      {mayEdit && <Decision intake={summary} overview={undefined} waiting={false} />}
    </>
  );
}

function Read({ intake: { state, summary } }: { intake: Intake }) {
  const { id } = summary;
  const mayEdit = useMayEdit();
  const waiting = useIsMutating() > 0;
  const editable = state === "REVIEW" && mayEdit;
  const overview = useGet("/api/intakes/{id}/overview", { path: { id } });
  const families = usePages("/api/intakes/{id}/families", { limit: AT_ONCE }, { path: { id } });
  return (
    <>
      {state === "FAILED" && (
        <Line>
          <p role="alert">{summary.failure}</p>
        </Line>
      )}
      {state === "REVIEW" && overview.data && (
        <Line>
          <p className="answer">{answerOf(overview.data)}</p>
          {overview.data.wanted.map((one) => (
            <p key={one.flagId} className={one.goesIn ? "green" : "ochre"}>
              {brought(one)}
            </p>
          ))}
        </Line>
      )}
      <Shown of={{ data: families.items, error: families.error, refetch: families.again }} lines={7}>
        {(items) => (
          <Rows
            label={words.families}
            items={items}
            keyOf={({ key }) => key}
            height={100}
            more={families.more}
            loadingMore={families.loadingMore}
            row={(family, index) => (
              <>
                {editable && begins(items, index) && (
                  <Line>
                    <h2 className="section">{standingWords[family.standing]}</h2>
                  </Line>
                )}
                <IntakeFamilyRow intakeId={id} family={family} editable={editable} />
              </>
            )}
          />
        )}
      </Shown>
      <SetAside intakeId={id} />
      {(editable || (state === "FAILED" && mayEdit)) && (
        <Decision intake={summary} overview={editable ? overview.data : undefined} waiting={waiting} />
      )}
    </>
  );
}

/** Whether a family is the first of those that stand as it does. */
function begins(families: IntakeFamily[], index: number): boolean {
  return index === 0 || families[index - 1]?.standing !== families[index]?.standing;
}
