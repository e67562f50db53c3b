import { Navigate, Route, Routes } from "react-router";
import { JoinPage } from "./account/JoinPage";
import { SignInPage } from "./account/SignInPage";
import { useWho } from "./account/session";
import { FamilyListPage } from "./family/FamilyListPage";
import { FamilyPage } from "./family/FamilyPage";
import { FlagListPage } from "./flag/FlagListPage";
import { FlagPage } from "./flag/FlagPage";
import { HistoryPage } from "./history/HistoryPage";
import { HomePage } from "./home/HomePage";
import { IntakeListPage } from "./intake/IntakeListPage";
import { IntakePage } from "./intake/IntakePage";
import { LicenseListPage } from "./license/LicenseListPage";
import { LicensePage } from "./license/LicensePage";
import { PeoplePage } from "./people/PeoplePage";
import { SettingsPage } from "./settings/SettingsPage";
import { Frame } from "./shared/layout/Frame";
import { SiteListPage } from "./site/SiteListPage";
import { SitePage } from "./site/SitePage";

/** Everything but signing in and joining needs a session. */
export function App() {
  return (
    <Routes>
      <Route path="join/:token" element={<JoinPage />} />
      <Route path="*" element={<SignedIn />} />
    </Routes>
  );
}

function SignedIn() {
  const who = useWho();
  if (who.isPending) {
    return null;
  }
  if (!who.data) {
    return <SignInPage />;
  }
  return (
    <Routes>
      <Route element={<Frame who={who.data} />}>
        <Route index element={<HomePage />} />
        <Route path="intake" element={<IntakeListPage />} />
        <Route path="intake/:id" element={<IntakePage />} />
        <Route path="families" element={<FamilyListPage />} />
        <Route path="families/:id" element={<FamilyPage />} />
        <Route path="licenses" element={<LicenseListPage />} />
        <Route path="licenses/:id" element={<LicensePage />} />
        <Route path="sites" element={<SiteListPage />} />
        <Route path="sites/:id" element={<SitePage />} />
        <Route path="flags" element={<FlagListPage />} />
        <Route path="flags/:id" element={<FlagPage />} />
        <Route path="history" element={<HistoryPage />} />
        <Route path="people" element={<PeoplePage />} />
        <Route path="settings" element={<SettingsPage />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Route>
    </Routes>
  );
}
