// Names every test that failed, with the first line of what it said, from the reports in a folder:
// node bin/failed-tests.mjs FOLDER
import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";

const folder = process.argv[2];
const named = (pattern) => readdirSync(folder).filter((name) => pattern.test(name));
const read = (name) => readFileSync(join(folder, name), "utf8");
const firstLine = (text = "") => text.replace(/\u001b\[[0-9;]*m/g, "").trim().split("\n")[0];

const failed = [];
for (const report of named(/^interface\.json$/)) {
  for (const file of JSON.parse(read(report)).testResults) {
    for (const test of file.assertionResults.filter(({ status }) => status === "failed")) {
      failed.push(`interface: ${test.fullName}: ${firstLine(test.failureMessages[0])}`);
    }
    if (file.status === "failed" && file.assertionResults.length === 0) {
      failed.push(`interface: ${file.name.split("/").at(-1)}: ${firstLine(file.message)}`);
    }
  }
}
for (const report of named(/^browser-.*\.json$/)) {
  const inSuite = ({ suites = [], specs = [] }) => {
    suites.forEach(inSuite);
    for (const spec of specs.filter(({ ok }) => !ok)) {
      const errors = spec.tests.flatMap(({ results }) => results.flatMap(({ errors }) => errors));
      failed.push(`browser: ${spec.file}: ${spec.title}: ${errors.map(({ message }) => firstLine(message)).join("; ")}`);
    }
  };
  inSuite(JSON.parse(read(report)));
}
for (const log of named(/^maven\.log$/)) {
  for (const line of read(log).split("\n")) {
    if (/^\[ERROR\] {3}\S/.test(line)) {
      failed.push(`java: ${line.slice("[ERROR]".length).trim()}`);
    }
  }
}
failed.forEach((line) => console.log(`failed: ${line}`));
