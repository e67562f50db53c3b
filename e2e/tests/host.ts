import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync, statSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { join } from "node:path";

const types: Record<string, string> = {
  html: "text/html",
  css: "text/css",
  woff2: "font/woff2",
  woff: "font/woff",
  ttf: "font/ttf",
};

/** A stand-in host: what it serves by path, with the requests it refused. */
export type Host = { url: string; refused: string[]; close: () => void };

/** What is served only to whoever sends a cookie, and what the others get. */
type Guarded = Record<string, { cookie: string; otherwise: string }>;

/** Serves some texts and files on a free port; everything else is not found. */
export function host(files: Map<string, Buffer | string>, guarded: Guarded = {}): Promise<Host> {
  const refused: string[] = [];
  const server: Server = createServer((request, response) => {
    const path = decodeURIComponent((request.url ?? "/").replace(/[?#].*$/, ""));
    const guard = guarded[path];
    const isIn = !guard || (request.headers.cookie ?? "").includes(guard.cookie);
    const body = isIn ? files.get(path) : guard.otherwise;
    if (body === undefined) {
      refused.push(path);
      response.statusCode = 404;
      response.end();
      return;
    }
    response.setHeader("Content-Type", types[path.split(".").pop() ?? ""] ?? "text/html");
    response.end(body);
  });
  return new Promise((resolve) =>
    server.listen(0, "127.0.0.1", () => {
      const address = server.address();
      const port = typeof address === "object" && address ? address.port : 0;
      resolve({ url: `http://localhost:${port}`, refused, close: () => server.close() });
    }),
  );
}

/** The files of an archive by their paths in it. */
export function unpacked(archive: string, into: string): Map<string, Buffer> {
  execFileSync("unzip", ["-q", "-o", archive, "-d", into]);
  const files = new Map<string, Buffer>();
  for (const name of readdirSync(into, { recursive: true }) as string[]) {
    if (statSync(join(into, name)).isFile()) {
      files.set(name, readFileSync(join(into, name)));
    }
  }
  return files;
}
