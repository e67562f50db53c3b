import { useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import { api, bodyOf } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { Site, SiteDraft } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { placeOnSite, useFlagsOf } from "../shared/flag/flags";
import { Leaf, Line } from "../shared/layout/Leaf";
import { clientNamed, useClients } from "../shared/parts/useClients";
import { Shown } from "../shared/states/States";
import { AskedHeldAllowed } from "./AskedHeldAllowed";
import { LastCheck } from "./LastCheck";
import { MakePack, Packs } from "./Packs";
import { SiteForm, type SiteFields } from "./SiteForm";
import { SiteLeaf } from "./SiteLeaf";
import { standing } from "./packs";
import { words } from "./words";

/** How a site stands: what is asked, held and allowed, how its pages fared, and its latest pack. */
export function SitePage() {
  const { id } = useParams();
  return id === "new" ? (
    <NewSite />
  ) : (
    <SiteLeaf actions={(site) => <MakePack siteId={site.id} />}>
      {(site) => <Overview key={site.id} site={site} />}
    </SiteLeaf>
  );
}

function NewSite() {
  const navigate = useNavigate();
  const clients = useClients();
  const client = useQueryClient();
  const add = useChange({
    of: "site",
    change: async (fields: SiteFields) => {
      const clientId = await clientNamed(clients.data ?? [], fields.client);
      try {
        const { name, domains, staging } = fields;
        return await bodyOf(
          api.POST("/api/sites", {
            // How it is delivered is described later; until then it is as usual.
            body: { clientId, name, domains, staging, roles: [] } as Partial<SiteDraft> as SiteDraft,
          }),
        );
      } catch (error) {
        // A second try finds the client that this one added.
        await client.invalidateQueries({ queryKey: ["/api/clients"] });
        throw error;
      }
    },
    said: (site) => `Added ${site.name}. Now choose its type.`,
  });
  return (
    <Leaf title={words.add} above={<Link to="/sites">{words.title}</Link>} below={words.belongs}>
      <Line>
        <Shown of={clients}>
          {(known) => (
            <SiteForm
              clients={known}
              saveLabel={words.addIt}
              onSave={async (fields) => {
                const site = await add.mutateAsync(fields).catch(() => null);
                if (site) {
                  await navigate(`/sites/${site.id}/type`);
                }
                return site !== null;
              }}
            />
          )}
        </Shown>
      </Line>
    </Leaf>
  );
}

function Overview({ site: { id } }: { site: Site }) {
  const rows = useGet("/api/sites/{id}/comparison", { path: { id } });
  const flags = useFlagsOf("site", id);
  const at = (place: ReturnType<typeof placeOnSite>) => flags.filter((flag) => placeOnSite(flag) === place);
  return (
    <>
      <Line notes={<FlagNotes flags={at("asked")} />}>
        <Shown of={rows}>
          {(asked) =>
            asked.length > 0 ? (
              <>
                <p className="answer">{standing(asked)}</p>
                <h2 className="section">
                  {words.askedHeldAllowed} <small>{words.every}</small>
                </h2>
                <AskedHeldAllowed rows={asked} />
              </>
            ) : (
              <p className="answer">
                {words.asksNothing} <Link to={`/sites/${id}/type`}>{words.chooseType}</Link>
              </p>
            )
          }
        </Shown>
        <LastCheck siteId={id} />
      </Line>
      <Line id="pack" notes={<FlagNotes flags={at("pack")} />}>
        <Packs siteId={id} rows={rows.data ?? []} />
      </Line>
    </>
  );
}
