import { test as base } from "@playwright/test";
import { spawn } from "node:child_process";
import { cpSync, createWriteStream, mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { watch } from "./support";

/**
 * The running product. Each file of tests names an inventory of its own, for which a server is started on a copy of the
 * demonstration in the folder UNCIALA_DEMO; the application lies in the folder UNCIALA_APP. When UNCIALA_URL is set, all
 * use the server that runs there.
 */
export const test = base.extend<object, { inventory: string; server: string }>({
  inventory: ["", { option: true, scope: "worker" }],
  server: [
    async ({ inventory }, use) => {
      const { UNCIALA_APP, UNCIALA_DEMO, UNCIALA_URL } = process.env;
      if (!UNCIALA_APP || !UNCIALA_DEMO) {
        await use(UNCIALA_URL ?? "http://localhost:8600");
        return;
      }
      const folder = mkdtempSync(join(tmpdir(), `unciala-${inventory}-`));
      cpSync(UNCIALA_DEMO, join(folder, "data"), { recursive: true });
      const port = await freePort();
      const log = createWriteStream(join(folder, "log"));
      // A server that lives for some minutes is done sooner without the compiler for long runs.
      const running = spawn(
        "java",
        ["-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Xshare:auto", "-jar", "unciala.jar", "--demo"],
        {
          cwd: UNCIALA_APP,
          env: {
            ...process.env,
            UNCIALA_PORT: String(port),
            UNCIALA_SITES_PORT: "0",
            UNCIALA_DATA: join(folder, "data"),
          },
        },
      );
      running.stdout.pipe(log);
      running.stderr.pipe(log);
      const ended = new Promise<void>((resolve) => running.on("exit", () => resolve()));
      try {
        await ready(`http://localhost:${port}`, () => running.exitCode !== null);
        await use(`http://localhost:${port}`);
      } finally {
        running.kill();
        await ended;
        rmSync(folder, { recursive: true, force: true });
      }
    },
    { scope: "worker", timeout: 180_000 },
  ],
  baseURL: async ({ server }, use) => use(server),
  page: async ({ page }, use) => {
    watch(page);
    await use(page);
  },
});

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() =>
        address && typeof address === "object" ? resolve(address.port) : reject(new Error("no port is free")),
      );
    });
  });
}

async function ready(url: string, gone: () => boolean) {
  for (;;) {
    if (gone()) {
      throw new Error("The server ended before it was ready.");
    }
    if (
      await fetch(`${url}/api/health`).then(
        (answer) => answer.ok,
        () => false,
      )
    ) {
      return;
    }
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
}
