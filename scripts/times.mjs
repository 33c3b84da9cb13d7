// Tells how long the tests took: each module of the code, and the slowest classes. Reads what Surefire wrote; used by ./imperan test.
import { existsSync, readdirSync, readFileSync } from "node:fs";

const MODULES = ["core", "standins", "server", "e2e", "bench"];
const SLOWEST = 12;

// a class that has tests in several runs of Surefire has a report of each
const folders = (module) =>
  existsSync(`${module}/target`)
    ? readdirSync(`${module}/target`)
        .filter((name) => name.startsWith("surefire-reports"))
        .map((name) => `${module}/target/${name}`)
    : [];

const all = MODULES.flatMap((module) =>
  folders(module).flatMap((folder) =>
    readdirSync(folder)
      .filter((name) => /^TEST-.*\.xml$/.test(name))
      .map((name) => {
        const text = readFileSync(`${folder}/${name}`, "utf8");
        const attribute = (wanted) =>
          text.match(
            new RegExp(`<testsuite [^>]*\\b${wanted}="([^"]*)"`),
          )?.[1] ?? "";
        return {
          module,
          name: attribute("name").split(".").pop(),
          seconds: Number(attribute("time")),
          cases: Number(attribute("tests")),
        };
      }),
  ),
);

const reports = [
  ...all
    .reduce((classes, each) => {
      const key = `${each.module} ${each.name}`;
      const before = classes.get(key) ?? { ...each, seconds: 0, cases: 0 };
      return classes.set(key, {
        ...before,
        seconds: before.seconds + each.seconds,
        cases: before.cases + each.cases,
      });
    }, new Map())
    .values(),
];

const sum = (numbers) => numbers.reduce((all, each) => all + each, 0);

console.log("Seconds in tests (several run at once):");
for (const module of MODULES) {
  const own = reports.filter((report) => report.module === module);
  if (own.length > 0)
    console.log(
      `  ${module.padEnd(10)} ${sum(own.map((r) => r.seconds))
        .toFixed(0)
        .padStart(
          5,
        )} s  ${String(sum(own.map((r) => r.cases))).padStart(5)} cases`,
    );
}
console.log("The slowest:");
for (const slow of [...reports]
  .sort((a, b) => b.seconds - a.seconds)
  .slice(0, SLOWEST))
  console.log(
    `  ${slow.seconds.toFixed(0).padStart(5)} s  ${slow.name} (${slow.module}, ${slow.cases})`,
  );
