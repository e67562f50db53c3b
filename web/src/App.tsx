import { lazy, Suspense } from "react";
import { createBrowserRouter, RouterProvider, useRouteError, type RouteObject, redirect } from "react-router";
import { Frame } from "./frame/Frame";
import { NoSuchPage } from "./frame/NoSuchPage";
import { useWho } from "./shared/account/session";
import { Failure, Loading } from "./shared/states/States";

const SignInPage = lazy(async () => ({ default: (await import("./account/SignInPage")).SignInPage }));

/** Every place is loaded when it is first gone to. */
export const routes: RouteObject[] = [
  {
    path: "join/:token",
    ErrorBoundary: Unloaded,
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import("./account/JoinPage")).JoinPage }),
  },
  {
    Component: SignedIn,
    ErrorBoundary: Unloaded,
    HydrateFallback: () => null,
    children: [
      { index: true, lazy: async () => ({ Component: (await import("./home/HomePage")).HomePage }) },
      {
        path: "intake",
        lazy: async () => ({ Component: (await import("./intake/IntakeListPage")).IntakeListPage }),
      },
      {
        path: "intake/:id",
        lazy: async () => ({ Component: (await import("./intake/IntakePage")).IntakePage }),
      },
      {
        path: "intake/:id/compare/:item",
        lazy: async () => ({ Component: (await import("./intake/CompareArrivalPage")).CompareArrivalPage }),
      },
      {
        path: "families",
        lazy: async () => ({ Component: (await import("./family/FamilyListPage")).FamilyListPage }),
      },
      {
        path: "families/duplicates",
        lazy: async () => ({ Component: (await import("./family/DuplicatesPage")).DuplicatesPage }),
      },
      {
        path: "families/:id/compare",
        lazy: async () => ({ Component: (await import("./family/ComparePage")).ComparePage }),
      },
      {
        path: "families/:id/:leaf?",
        lazy: async () => ({ Component: (await import("./family/FamilyPage")).FamilyPage }),
      },
      {
        path: "licenses",
        lazy: async () => ({ Component: (await import("./license/LicenseListPage")).LicenseListPage }),
      },
      {
        path: "licenses/coverage",
        lazy: async () => ({ Component: (await import("./license/coverage/CoveragePage")).CoveragePage }),
      },
      {
        path: "licenses/costs",
        lazy: async () => ({ Component: (await import("./license/CostsPage")).CostsPage }),
      },
      {
        path: "licenses/terms",
        lazy: async () => ({ Component: (await import("./license/sets/TermsSetsPage")).TermsSetsPage }),
      },
      {
        path: "licenses/terms/:id",
        lazy: async () => ({ Component: (await import("./license/sets/TermsSetPage")).TermsSetPage }),
      },
      {
        path: "licenses/:id/:leaf?",
        lazy: async () => ({ Component: (await import("./license/LicensePage")).LicensePage }),
      },
      {
        path: "sites",
        lazy: async () => ({ Component: (await import("./site/SiteListPage")).SiteListPage }),
      },
      { path: "css", lazy: async () => ({ Component: (await import("./proof/ProofPage")).ProofPage }) },
      // Addresses of earlier versions, which bookmarks and messages may still have.
      { path: "proof", loader: () => redirect("/css") },
      { path: "sites/:id/proof", loader: ({ params }) => redirect(`/sites/${params.id}/css`) },
      { path: "sites/:id/record", loader: ({ params }) => redirect(`/sites/${params.id}/details`) },
      {
        path: "sites/:id/css",
        lazy: async () => ({ Component: (await import("./proof/ProofPage")).ProofPage }),
      },
      {
        path: "sites/:id/pages",
        lazy: async () => ({ Component: (await import("./check/PagesPage")).PagesPage }),
      },
      {
        path: "sites/:id/pages/:position",
        lazy: async () => ({ Component: (await import("./check/CheckedPagePage")).CheckedPagePage }),
      },
      {
        path: "sites/:id/type",
        lazy: async () => ({ Component: (await import("./site/type/TypePage")).TypePage }),
      },
      {
        path: "sites/:id/details",
        lazy: async () => ({ Component: (await import("./site/RecordPage")).RecordPage }),
      },
      {
        path: "sites/:id/delivery",
        lazy: async () => ({ Component: (await import("./site/delivery/DeliveryPage")).DeliveryPage }),
      },
      {
        path: "sites/:id",
        lazy: async () => ({ Component: (await import("./site/SitePage")).SitePage }),
      },
      {
        path: "flags",
        lazy: async () => ({ Component: (await import("./flag/FlagListPage")).FlagListPage }),
      },
      { path: "flags/:id", lazy: async () => ({ Component: (await import("./flag/FlagPage")).FlagPage }) },
      {
        path: "history",
        lazy: async () => ({ Component: (await import("./history/HistoryPage")).HistoryPage }),
      },
      { path: "people", lazy: async () => ({ Component: (await import("./people/PeoplePage")).PeoplePage }) },
      {
        path: "settings",
        lazy: async () => ({ Component: (await import("./settings/SettingsPage")).SettingsPage }),
      },
      { path: "*", Component: NoSuchPage },
    ],
  },
];

export function App({ router }: { router: ReturnType<typeof createBrowserRouter> }) {
  return <RouterProvider router={router} />;
}

/** Everything but joining needs a session. */
function SignedIn() {
  const who = useWho();
  if (who.data) {
    return <Frame who={who.data} />;
  }
  if (who.data === null) {
    return (
      <Suspense>
        <SignInPage />
      </Suspense>
    );
  }
  return (
    <main className="before">
      {who.error ? <Failure error={who.error} again={() => void who.refetch()} /> : <Loading />}
    </main>
  );
}

/** In place of everything, when a place could not be loaded. */
function Unloaded() {
  const error = useRouteError();
  return (
    <main className="before">
      <Failure
        error={error instanceof Error ? error : new Error(String(error))}
        again={() => window.location.reload()}
      />
    </main>
  );
}
