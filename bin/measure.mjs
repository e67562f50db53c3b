// Measures the running server over one connection, beside a request that asks the database for SELECT 1 (/api/health).
// Start "bin/demo --large" first. Usage: bin/measure [http://localhost:8600]
import { Agent, request } from "node:http";

const url = process.argv[2] ?? "http://localhost:8600";
const agent = new Agent({ keepAlive: true, maxSockets: 1 });
const cookies = new Map();
const RUNS = 15;

function call(method, path, body, headers = {}) {
  return new Promise((resolve, reject) => {
    const text = body === undefined ? undefined : JSON.stringify(body);
    const sent = request(
      url + path,
      {
        agent,
        method,
        headers: {
          ...headers,
          ...(text ? { "Content-Type": "application/json", "Content-Length": Buffer.byteLength(text) } : {}),
          Cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join("; "),
          "X-XSRF-TOKEN": cookies.get("XSRF-TOKEN") ?? "",
        },
      },
      (answer) => {
        for (const cookie of answer.headers["set-cookie"] ?? []) {
          const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie);
          cookies.set(name, value);
        }
        const chunks = [];
        answer.on("data", (chunk) => chunks.push(chunk));
        answer.on("end", () => {
          const content = Buffer.concat(chunks).toString();
          if (answer.statusCode >= 400) {
            reject(new Error(`${method} ${path}: ${answer.statusCode} ${content.slice(0, 300)}`));
          } else {
            resolve({ etag: answer.headers.etag, json: content ? JSON.parse(content) : undefined });
          }
        });
      },
    );
    sent.on("error", reject);
    sent.end(text);
  });
}

async function median(runs, what) {
  const times = [];
  await what();
  for (let i = 0; i < runs; i++) {
    const began = process.hrtime.bigint();
    await what();
    times.push(Number(process.hrtime.bigint() - began) / 1e6);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
}

await call("GET", "/api/health");
await call("GET", "/api/session").catch(() => undefined);
await call("POST", "/api/session", { name: "demo", password: process.env.UNCIALA_PASSWORD ?? "unciala-demo" });
await call("GET", "/api/session");

const select1 = await median(RUNS, () => call("GET", "/api/health"));
console.log(`SELECT 1 over the same connection: ${select1.toFixed(1)} ms\n`);
async function tell(name, wanted, what, runs = RUNS) {
  const time = await median(runs, what);
  const verdict = time <= wanted ? "" : `  over ${wanted} ms`;
  console.log(`${name.padEnd(48)} ${time.toFixed(1).padStart(8)} ms ${(time / select1).toFixed(1).padStart(7)} x${verdict}`);
}

const site = (await call("GET", "/api/sites?limit=1")).json.items[0];
const intakes = (await call("GET", "/api/intakes?limit=5")).json.items;
const intake = intakes.sort((a, b) => b.files - a.files)[0];
const popular = (await call("GET", `/api/families/${site.roles.find((r) => r.role === "RUNNING_TEXT").familyId}`)).json;
await tell("first 50 flags", 100, () => call("GET", "/api/flags?limit=50"));
await tell("flags gathered by cause", 100, () => call("GET", "/api/flags/gathered?limit=50"));
await tell("counts of flags", 100, () => call("GET", "/api/flags/counts"));
await tell("a site and its comparison", 150, async () => {
  await call("GET", `/api/sites/${site.id}`);
  await call("GET", `/api/sites/${site.id}/comparison`);
  await call("GET", `/api/flags?site=${site.id}`);
});
await tell("first page of families", 150, () => call("GET", "/api/families?limit=30"));
await tell("search", 150, () => call("GET", "/api/search?q=mere"));
await tell("history", 150, () => call("GET", "/api/history?limit=60"));
if (intake) {
  let next = "";
  await tell(`first page of an intake of ${intake.files}`, 300, async () => {
    next = (await call("GET", `/api/intakes/${intake.id}?limit=200`)).json.next;
  });
  if (next) {
    await tell("its next page", 300, () =>
      call("GET", `/api/intakes/${intake.id}?limit=200&cursor=${encodeURIComponent(next)}`),
    );
  }
}
const license = popular.licenses[0];
if (license) {
  await tell(`changing a license that ${popular.sites.length} sites use`, 200, async () => {
    const { etag, json } = await call("GET", `/api/licenses/${license.id}`);
    const anyDomain = !json.terms.anyDomain;
    await call("PUT", `/api/licenses/${license.id}`, { ...json.terms, anyDomain }, { "If-Match": etag });
  });
}
await tell("changing a site", 200, async () => {
  const { etag, json } = await call("GET", `/api/sites/${site.id}`);
  const roles = [...json.roles].map((role) => ({ ...role, faces: [...role.faces].reverse() }));
  await call("PUT", `/api/sites/${site.id}`, { ...json, roles }, { "If-Match": etag });
});
await tell("removing a file and taking that back", 400, async () => {
  const family = (await call("GET", "/api/families?limit=1&name=zelward")).json.items[0] ?? popular;
  const { etag, json } = await call("GET", `/api/families/${family.id}`);
  const removed = await call("DELETE", `/api/families/${family.id}/files/${json.files.at(-1).id}`, undefined, {
    "If-Match": etag,
  });
  await call("POST", `/api/history/${removed.json.historyId}/undo`);
});
await tell("full comparison", 5000, () => call("POST", "/api/flags/comparison"), 2);
const report = (await call("POST", "/api/flags/comparison")).json;
console.log(`\nThe full comparison had to mend ${report.mended} flags and rows.`);
agent.destroy();
