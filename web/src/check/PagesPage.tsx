import Button from "@mui/material/Button";
import { Link, useParams } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { useGet } from "../shared/api/queries";
import type { CheckLine, Flag, PageCheck, Site } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { isOfPages, useFlagsOf } from "../shared/flag/flags";
import { Leaf, Line } from "../shared/layout/Leaf";
import { SiteLeaves } from "../shared/layout/SiteLeaves";
import { useGoToHash } from "../shared/parts/useGoToHash";
import { NotHere } from "../shared/states/NotHere";
import { Shown } from "../shared/states/States";
import { Progress } from "../shared/parts/Progress";
import { Changes, HostsOfOthers, PlacedPack, UsedRoles } from "./AcrossPages";
import { FoundFonts } from "./FoundFonts";
import { RolesOnPages, TriedPack } from "./RolesOnPages";
import { FromBrowser } from "./FromBrowser";
import { PageList } from "./PageList";
import { Plan } from "./Plan";
import { useChecks, useStartCheck, useStopCheck } from "./useChecks";
import { checkedInWords, progressInWords, standing, words } from "./words";

/** The pages of a site as their visitors get them. */
export function PagesPage() {
  const { id = "" } = useParams();
  const site = useGet("/api/sites/{id}", { path: { id } });
  return site.data ? (
    <OfSite key={id} site={site.data} />
  ) : (
    <NotHere error={site.error} again={() => void site.refetch()} all="/sites" allWords="All sites" />
  );
}

function OfSite({ site }: { site: Site }) {
  const { id } = site;
  const checks = useChecks(id);
  const check = useGet(
    "/api/checks/{id}",
    { path: { id: checks.done?.id ?? "" } },
    { enabled: !!checks.done },
  );
  const flags = useFlagsOf("site", id).filter(isOfPages);
  const mayEdit = useMayEdit();
  const start = useStartCheck(id);
  return (
    <Leaf
      title={site.name}
      above={
        <>
          <Link to="/sites">Sites</Link> · {site.clientName}
        </>
      }
      below={words.below}
      actions={
        mayEdit && (
          <Button
            variant={checks.done ? "outlined" : "contained"}
            disabled={start.isPending || checks.running !== undefined}
            onClick={() => start.mutate()}
          >
            {checks.done ? words.again : words.check}
          </Button>
        )
      }
      leaves={<SiteLeaves id={id} />}
    >
      {checks.running && <Running check={checks.running} />}
      <Shown of={checks.list}>
        {() =>
          checks.done ? (
            <Shown of={check}>
              {(found) => <Found site={site} check={found} flags={flags} last={checks.last} />}
            </Shown>
          ) : (
            !checks.running && <Never last={checks.last} />
          )
        }
      </Shown>
      <Plan site={site} />
      <FromBrowser siteId={id} />
    </Leaf>
  );
}

function Running({ check }: { check: CheckLine }) {
  const stop = useStopCheck();
  const mayEdit = useMayEdit();
  return (
    <Line>
      <div className="in-a-row check-running" role="status">
        <span>{progressInWords(check)}</span>
        {mayEdit && (
          <Button size="small" disabled={stop.isPending} onClick={() => stop.mutate(check.id)}>
            {words.stop}
          </Button>
        )}
      </div>
      <Progress
        label={words.check}
        done={check.pagesRead}
        total={check.state === "READING" ? check.pagesKnown : 0}
      />
    </Line>
  );
}

function Never({ last }: { last: CheckLine | undefined }) {
  return (
    <Line>
      {last?.failure && (
        <p className="rubric" role="alert">
          {last.failure}
        </p>
      )}
      <p className="answer">{words.never}</p>
      <p className="quiet">{words.neverHelp}</p>
    </Line>
  );
}

/** Which flags stand beside which part. */
function beside(flags: Flag[], kinds: Flag["kind"][]): Flag[] {
  return flags.filter((flag) => kinds.includes(flag.kind));
}

type FoundProps = { site: Site; check: PageCheck; flags: Flag[]; last: CheckLine | undefined };

function Found({ site, check, flags, last }: FoundProps) {
  useGoToHash(true);
  const ofFonts = beside(flags, ["FOUND_NOT_ALLOWED", "FOUND_NOT_RECORDED"]);
  const ofOthers = beside(flags, ["THIRD_PARTY"]);
  const ofRoles = beside(flags, ["ROLE_NOT_REACHED"]);
  const ofPack = beside(flags, ["WRONG_FILE_THERE"]);
  const ofPages = flags.filter((flag) => ![ofFonts, ofOthers, ofRoles, ofPack].flat().includes(flag));
  return (
    <>
      <Line notes={<FlagNotes flags={ofPages} />}>
        {last?.state === "FAILED" && (
          <p className="rubric" role="alert">
            {last.failure}
          </p>
        )}
        <p className="answer">{standing(check)}</p>
        <p className="quiet small">{checkedInWords(check.line)}</p>
        <PageList check={check} />
        <Changes check={check} />
      </Line>
      <Line notes={<FlagNotes flags={ofRoles} />}>
        <RolesOnPages site={site} checkId={check.line.id} />
        {check.tried && <TriedPack tried={check.tried} />}
      </Line>
      <Line id="fonts" notes={<FlagNotes flags={ofFonts} />}>
        <FoundFonts check={check} />
      </Line>
      {(check.thirdParties.length > 0 || ofOthers.length > 0) && (
        <Line notes={<FlagNotes flags={ofOthers} />}>
          <HostsOfOthers hosts={check.thirdParties} />
        </Line>
      )}
      <Line notes={<FlagNotes flags={ofPack} />}>
        <UsedRoles site={site} used={check.used} />
        {check.pack && <PlacedPack pack={check.pack} />}
      </Line>
    </>
  );
}
