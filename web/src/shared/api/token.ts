/** The header that shows a changing request to come from this interface: the cookie's token, said again. */
export function tokenHeader(): Record<string, string> {
  return {
    "X-XSRF-TOKEN": decodeURIComponent(/(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? ""),
  };
}
