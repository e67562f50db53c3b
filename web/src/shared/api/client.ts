/** A refusal of the server, with the sentence it gave (RFC 9457). */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    detail: string,
  ) {
    super(detail);
  }
}

type Method = "GET" | "POST" | "PUT" | "PATCH" | "DELETE";

/** Calls the API; `version` is the version that an edit is based on. */
export async function call<T>(
  method: Method,
  path: string,
  body?: unknown,
  options: { version?: number; signal?: AbortSignal } = {},
): Promise<T> {
  const headers: Record<string, string> = {};
  const isForm = body instanceof FormData;
  if (body !== undefined && !isForm) {
    headers["Content-Type"] = "application/json";
  }
  if (method !== "GET") {
    headers["X-XSRF-TOKEN"] = token();
  }
  if (options.version !== undefined) {
    headers["If-Match"] = `"${options.version}"`;
  }
  const response = await fetch(path, {
    method,
    headers,
    signal: options.signal,
    body: body === undefined ? undefined : isForm ? body : JSON.stringify(body),
  });
  if (!response.ok) {
    throw new ProblemError(response.status, await detail(response));
  }
  const text = await response.text();
  return (text ? JSON.parse(text) : undefined) as T;
}

/** Whether somebody else changed the record that an edit was based on. */
export function isStale(error: unknown): boolean {
  return error instanceof ProblemError && error.status === 412;
}

async function detail(response: Response): Promise<string> {
  try {
    const problem = (await response.json()) as { detail?: string };
    return problem.detail ?? `The server answered ${response.status}.`;
  } catch {
    return `The server answered ${response.status}.`;
  }
}

function token(): string {
  return decodeURIComponent(/(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? "");
}
