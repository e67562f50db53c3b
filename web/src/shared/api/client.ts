import createClient, { type Middleware } from "openapi-fetch";
import type { paths } from "./schema";
import { connection } from "./connection";
import { tokenHeader } from "./token";

/** A refusal of the server: its status, the sentence it gave, and the fields that it names (RFC 9457). */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly fields: Record<string, string> = {},
  ) {
    super(detail);
  }
}

/** No answer at all: the server is down or cannot be reached. */
export class NoAnswerError extends Error {
  constructor() {
    super("The server isn’t responding. Nothing on this page is lost; try again when it’s back.");
  }
}

const unsafe = (method: string) => method !== "GET" && method !== "HEAD";

const everyCall: Middleware = {
  onRequest({ request }) {
    if (unsafe(request.method)) {
      for (const [name, value] of Object.entries(tokenHeader())) {
        request.headers.set(name, value);
      }
    }
  },
  async onResponse({ response, schemaPath }) {
    connection.answered();
    if (response.ok) {
      return;
    }
    if (response.status === 401 && schemaPath !== "/api/session") {
      connection.sessionEnded();
    }
    throw problemIn(response.status, await response.json().catch(() => null));
  },
  onError({ request }) {
    if (request.signal.aborted) {
      return;
    }
    connection.silent();
    return new NoAnswerError();
  },
};

/** The API, with types made from its OpenAPI document; whatever is not an answer as documented is thrown. */
export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: (request) => fetch(request),
});
api.use(everyCall);

/** The body of an answer; refusals were thrown before. */
export async function bodyOf<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T;
}

/** The header by which an edit names the version that it is based on. */
export function editing(version: number): { "If-Match": string } {
  return { "If-Match": `"${version}"` };
}

/**
 * Files of a form in place of JSON. The document describes such a body by its fields, so that no form is of its type;
 * this one is taken for any.
 */
export function filesIn(field: string, files: { file: File; path: string }[]): never {
  const form = new FormData();
  for (const { file, path } of files) {
    form.append(field, file, path);
  }
  return form as never;
}

/** Whether somebody else changed the record that an edit was based on. */
export function isStale(error: unknown): boolean {
  return error instanceof ProblemError && error.status === 412;
}

/** The refusal in the body of an answer; a body that is no problem document says only its status. */
export function problemIn(status: number, body: unknown): ProblemError {
  const told = (typeof body === "object" ? body : null) as {
    detail?: string;
    errors?: { field: string; message: string }[];
  } | null;
  const fields = Object.fromEntries((told?.errors ?? []).map(({ field, message }) => [field, message]));
  return new ProblemError(status, told?.detail ?? `The server answered ${status}.`, fields);
}
