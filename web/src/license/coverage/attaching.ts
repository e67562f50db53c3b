import type { Extensible, LicenseDraft } from "../../shared/api/types";
import { day, listed } from "../../shared/parts/format";

/** Who at the vendor agreed to an extension, when, and what shows it. */
export type Agreed = { by: string; on: string; proof: string };

/** Whether it is said who agreed, when, and by what that is shown: nothing less makes a permission. */
export function isComplete({ by, on, proof }: Agreed): boolean {
  return by.trim() !== "" && on !== "" && proof.trim() !== "";
}

/** What a license would be extended by, in words. */
export function extensionInWords({ family, domains }: Extensible, familyName: string): string {
  return listed([...(family ? [familyName] : []), ...domains]);
}

/**
 * The terms with what was agreed: the family as a whole and the domains. Who agreed, when and the proof are recorded;
 * an earlier confirmation moves to the notes, so that it is not lost.
 */
export function extended(
  terms: LicenseDraft,
  extension: Extensible,
  crossing: { familyId: string; familyName: string },
  agreed: Agreed,
): LicenseDraft {
  const { family, domains } = extension;
  const covers = family
    ? [
        ...terms.covers.filter((covered) => covered.familyId !== crossing.familyId),
        { familyId: crossing.familyId, faces: [] },
      ]
    : terms.covers;
  const what = extensionInWords(extension, crossing.familyName);
  const earlier = terms.confirmedBy
    ? `Confirmed before by ${terms.confirmedBy}${terms.confirmedOn ? `, ${terms.confirmedOn}` : ""}.`
    : "";
  return {
    ...terms,
    covers,
    domains: [...terms.domains, ...domains.filter((domain) => !terms.domains.includes(domain))],
    confirmedBy: agreed.by.trim(),
    confirmedOn: agreed.on,
    notes: [
      terms.notes,
      earlier,
      `${agreed.by.trim()} agreed to ${what} on ${agreed.on}: ${agreed.proof.trim()}`,
    ]
      .filter(Boolean)
      .join("\n"),
  };
}

/** What will be recorded, before it is. */
export function recordInWords(license: string, what: string, agreed: Agreed): string {
  return `“${license}” is extended by ${what}, as ${agreed.by.trim() || "…"} agreed on ${agreed.on ? day(agreed.on) : "…"}.`;
}
