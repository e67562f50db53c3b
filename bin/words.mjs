// Fails on words that texts for people do not use, where a plain word or the trade's own word stands instead:
// node bin/words.mjs
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";

const ts = createRequire(new URL("../web/package.json", import.meta.url))("typescript");

/** What is not said, and what is said instead. */
const words = [
  [/\bcut(s|ting)?\b(?=.* (font|face|character|letter)| to\b| down)|\bcut-down\b|\bnot cut\b/i, "subset"],
  [/\bdrawn otherwise\b|\b(same|another|one|two|different) drawings?\b/i, "outlines"],
  [/\balike to\b|\bdrawn alike\b/i, "97% similar"],
  [/\bclash(es)?\b/i, "conflict"],
  [/\bcontradiction/i, "inconsistent metadata"],
  [/\bfurther format/i, "additional format"],
  [/\bthrow(s|n)? (this .*)?away\b|\bthrew away\b/i, "discard"],
  [/\btake(n)? (it |this )?back\b|\btook back\b/i, "undo, restore"],
  [/^(leave( it)?( as it is)?|not now|keep it|stay here)$/i, "cancel"],
  [/\bheld? again\b|\bhold it again\b/i, "restore"],
  [/\bturn round\b/i, "swap"],
  [/\ball the same\b/i, "anyway"],
  [/\bhand(ed)? (\d+ flags? )?to\b|\bhand over\b|\bhanding over\b/i, "assign to, transfer"],
  [/\bgrave(st)?\b|\bmust not go out\b|\bmay go out\b/i, "blocking, cleared"],
  [/\bgathered\b/i, "grouped by"],
  [/\bunfold|^fold$/i, "expand, collapse"],
  [/\bplaced\b|\bplacement of the site\b/i, "deployed, files on the host"],
  [/\bon the basis\b|^basis$/i, "license type"],
  [/\bstands? (on|under|since|aside)\b/i, "relies on, used by, open since"],
  [/\bhosts? of others\b/i, "third-party host"],
  [/\bdays of notice\b/i, "notice period"],
  [/\bfalls? due\b/i, "coming up"],
  [/\bledger\b/i, "export, import"],
  [/\bproof-read/i, "CSS check"],
  [/\bpainted in\b|\bare given\b|\bis given\b/i, "shown in"],
  [/\bsingle keys\b|\bkeys and signs\b/i, "shortcuts and symbols"],
  [/\bhosts inside\b/i, "internal hosts"],
  [/\bmade by others\b/i, "third-party notices"],
  [/\bin vain\b/i, "unused"],
  [/\bnot to be read\b/i, "couldn’t load"],
  [/\bin stock\b/i, "in the inventory"],
  [/\bcame along\b/i, "other files"],
];

/** Where such a word is right: it is kept in data, read by scripts, or the name of a style. */
const right = [
  ["server/src/main/java/app/unciala/server/intake/IntakeService.java", "intake thrown away"],
  ["server/src/main/java/app/unciala/server/family/SupersededFiles.java", "file held again"],
  ["server/src/main/java/app/unciala/server/check/CheckJobs.java", "check placed site"],
  ["cli/src/main/java/app/unciala/cli/CompareCommand.java", "same drawing"],
  ["cli/src/main/java/app/unciala/cli/CompareCommand.java", "different drawings"],
  ["web/src/license/DueList.tsx", "quiet ledger"],
];

const tracked = (...paths) => execFileSync("git", ["ls-files", ...paths], { encoding: "utf8" }).split("\n").filter(Boolean);

/** The texts of a TypeScript file: string literals, templates and what stands between tags, with their lines. */
function textsOfTypeScript(file, source) {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found = [];
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isLiteralTypeNode(node)) {
      return;
    }
    if (ts.isStringLiteralLike(node) || ts.isJsxText(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node)) {
      found.push([tree.getLineAndCharacterOfPosition(node.getStart()).line + 1, node.text.trim()]);
    }
    ts.forEachChild(node, visit);
  };
  visit(tree);
  // Names in code are no texts.
  return found.filter(([, text]) => /[A-Z ]/.test(text) && !/^[A-Z_0-9]+$/.test(text));
}

/** The string literals of a Java file that hold a space, but for statements of the database. */
function textsOfJava(source) {
  return source.split("\n").flatMap((line, i) =>
    [...line.matchAll(/"((?:[^"\\]|\\.)*)"/g)]
      .map(([, text]) => text)
      .filter((text) => text.includes(" ") && !/\b(select|from|where|group by|order by|update|insert)\b|^ i\.|\{\}/.test(text))
      .map((text) => [i + 1, text]),
  );
}

let failures = 0;
function read(file, texts) {
  for (const [line, text] of texts) {
    for (const [pattern, instead] of words) {
      if (pattern.test(text) && !right.some(([where, what]) => where === file && what === text)) {
        console.log(`${file}:${line}: “${text}” (${instead})`);
        failures++;
      }
    }
  }
}

for (const file of tracked("web/src/*.ts", "web/src/*.tsx").filter((name) => !/\.test\.|\/testing\/|schema\.d/.test(name))) {
  read(file, textsOfTypeScript(file, readFileSync(file, "utf8")));
}
for (const file of tracked("core/src/main/*.java", "server/src/main/*.java", "cli/src/main/*.java")) {
  read(file, textsOfJava(readFileSync(file, "utf8")));
}
for (const file of tracked("*.md")) {
  // Names of code are no texts.
  const lines = readFileSync(file, "utf8").split("\n");
  read(file, lines.map((text, i) => [i + 1, text.replace(/`[^`]*`/g, "`…`")]));
}
if (failures > 0) {
  console.log(`${failures} texts use a word that is not said.`);
  process.exit(1);
}
