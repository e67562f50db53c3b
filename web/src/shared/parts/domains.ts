/** The domains in what was typed or pasted: one, or several between commas, semicolons or spaces. */
export function domainsIn(typed: string): string[] {
  return typed
    .split(/[,;\s]+/)
    .map((domain) => domain.trim())
    .filter((domain) => domain !== "");
}
