// bin/test --fast [REVISION]: checks and tests of what the changes since a revision touch, in a minute and a half. Static
// analysis, browsers and whatever takes longer are left to the whole run.
import { execFileSync, spawn } from "node:child_process";
import { existsSync, readFileSync, readdirSync, rmSync } from "node:fs";
import { basename, dirname, join } from "node:path";

const SECONDS_FOR_JAVA = 40;
const UNKNOWN_SECONDS = 2;
// Each needs those before it.
const MODULES = ["testing", "font", "core", "demo", "server"];
const revision = process.argv[2] ?? "HEAD";
const began = Date.now();

const git = (...args) => execFileSync("git", args, { encoding: "utf8" }).split("\n").filter(Boolean);
const changed = [...git("diff", "--name-only", revision), ...git("ls-files", "-o", "--exclude-standard")].filter(existsSync);
if (changed.length === 0) {
  console.log(`Nothing changed since ${revision}.`);
  process.exit(0);
}

/** Runs a command and says when it has ended; what it wrote is shown when it failed. */
function run(name, command, args, cwd = ".") {
  return new Promise((resolve) => {
    const running = spawn(command, args, { cwd });
    let said = "";
    running.stdout.on("data", (data) => (said += data));
    running.stderr.on("data", (data) => (said += data));
    running.on("error", (error) => resolve({ name, passed: false, said: String(error) }));
    running.on("close", (code) => {
      console.log(`${code === 0 ? "passed" : "FAILED"}  ${name}  ${Math.round((Date.now() - began) / 1000)} s`);
      if (code !== 0) {
        console.log(said);
      }
      resolve({ name, passed: code === 0, said });
    });
  });
}

/** How long each class of tests took in the last whole run, by its name. */
function secondsOfTests() {
  const seconds = new Map();
  for (const reports of MODULES.map((module) => join(module, "target/surefire-reports")).filter(existsSync)) {
    for (const report of readdirSync(reports).filter((name) => name.endsWith(".xml"))) {
      const [, time] = /<testsuite [^>]*\btime="([\d.]+)"/.exec(readFileSync(join(reports, report), "utf8")) ?? [];
      seconds.set(report.replace(/^.*\.|\.xml$/g, "").replace(/^.*\./, ""), Number(time ?? UNKNOWN_SECONDS));
    }
  }
  return seconds;
}

/** The tests that name a changed class, stand in its package, or call the addresses of its feature; quickest first. */
function touchedTests(java) {
  const seconds = secondsOfTests();
  const tests = git("ls-files", "-co", "--exclude-standard", "*/src/test/java/*Test.java").filter(existsSync);
  const named = new RegExp(`\\b(${java.map((file) => basename(file, ".java")).join("|")})\\b`);
  const features = java.flatMap((file) => /^server\/src\/main\/java\/app\/unciala\/server\/(\w+)\//.exec(file)?.[1] ?? []);
  const called = features.length > 0 ? new RegExp(`/api/(${features.join("|")})`) : /$^/;
  const packages = new Set(java.map((file) => dirname(file).replace("/src/main/", "/src/test/")));
  return tests
    .filter((test) => {
      const text = readFileSync(test, "utf8");
      return java.includes(test) || packages.has(dirname(test)) || named.test(text) || called.test(text);
    })
    .map((test) => ({ test, name: basename(test, ".java"), seconds: seconds.get(basename(test, ".java")) ?? UNKNOWN_SECONDS }))
    .sort((a, b) => a.seconds - b.seconds);
}

function javaTests(java) {
  const touched = touchedTests(java);
  let total = 0;
  const chosen = touched.filter(({ seconds }) => (total += seconds) <= SECONDS_FOR_JAVA);
  const left = touched.slice(chosen.length).map(({ name }) => name);
  if (left.length > 0) {
    console.log(`Left to the whole run, as they take longer: ${left.join(", ")}`);
  }
  const last = Math.max(...[...java, ...chosen.map(({ test }) => test)].map((file) => MODULES.indexOf(file.split("/")[0])));
  // What is compiled here has not been through static analysis.
  rmSync(".unciala/build/analyzed", { force: true });
  return run(`Java: ${chosen.map(({ name }) => name).join(", ") || "compiled"}`, "mvn", [
    ...["-q", "-B", "-Dquick", "-Dmaven.test.skip=false", "-Dsurefire.failIfNoSpecifiedTests=false"],
    ...["-pl", MODULES.slice(0, last + 1).join(",")],
    ...(chosen.length > 0 ? ["test", `-Dtest=${chosen.map(({ name }) => name).join(",")}`] : ["test-compile"]),
  ]);
}

const web = changed.filter((file) => /^web\/.*\.(tsx?|css)$/.test(file)).map((file) => file.slice("web/".length));
const scripts = web.filter((file) => /\.tsx?$/.test(file));
const browser = changed.filter((file) => /^e2e\/.*\.ts$/.test(file)).map((file) => `../${file}`);
const java = changed.filter((file) => file.endsWith(".java") && MODULES.includes(file.split("/")[0]));
const javaDone = java.length > 0 ? javaTests(java) : Promise.resolve();

const results = [];
if (web.length + browser.length > 0) {
  results.push(await run("format", "npx", ["prettier", "--check", "--log-level", "warn", ...web, ...browser], "web"));
}
if (scripts.length > 0) {
  results.push(await run("lint", "npx", ["eslint", "--max-warnings", "0", ...scripts], "web"));
  results.push(await run("tests of the interface", "npx", ["vitest", "related", "--run", "--passWithNoTests", ...scripts], "web"));
  const kept = "node_modules/.cache/types";
  results.push(await run("types", "npx", ["tsc", "--noEmit", "--incremental", "--tsBuildInfoFile", kept], "web"));
}
const javaResult = await javaDone;
if (javaResult) {
  results.push(javaResult);
}
const failed = results.filter(({ passed }) => !passed).length;
console.log(`touched: ${results.length - failed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
