// Proves the lines of a live show from a script, or plays one of its cue lists through: starts, prints how it comes along, and ends with a number.
// 0: every line is proved or allowed. 1: something failed. 2: it could not run, or was stopped.
// 3: nothing failed, and not everything is proved.
// Used by ./imperan prove.
import { readFileSync, writeFileSync } from "node:fs";

const USAGE = `usage: ./imperan prove SHOW [--target NAME] [--page NAME] [--times N] [--venue NAME …] [--by NAME] [--allow WORD[:TARGET],…] [--strict] [--report FILE]
       ./imperan prove SHOW --cues LIST [--rehearse] [--speed own|4x|fastest] [--venue NAME …] [--by NAME] [--strict] [--report FILE]
  --cues LIST    play this cue list through once, and tell what became of each cue
  --rehearse     nothing is sent: the list is played in a copy of the show that nobody hears; the show need not be live
  --speed WORD   own as in the show (if not given), 4x, or fastest: as fast as targets and answers allow
  --target NAME  only the lines to this target
  --page NAME    only the lines of this page
  --times N      send each line at least N times (1 to 299; 12 if not given)
  --venue NAME   this target may be spoken to at the venue: you say that its stage is clear. Once for each target
  --by NAME      who says so
  --allow WORDS  take these verdicts though they prove nothing: returned, one-way, skipped, one-way:Sluice …, with commas between; what failed
                 only of a target that is named (no-answer:Wick), and silent:NAME for one that does not answer at all
  --strict       end with 1 where it would be 3
  --report FILE  write the report: .xml for build servers (JUnit), .csv or .json; of a cue list .csv or .json
Ends with 0 where every line is confirmed, seen or allowed, and at least one of each target that --allow does not name; with 1 where a line or a
target failed, 3 where something is undecided or not tried, and 2 where it could not run or was stopped`;

const FORMATS = ["xml", "csv", "json"];
const SPEEDS = { own: "OWN", "4x": "FOUR_TIMES", fastest: "FASTEST" };
const LOOK_MS = 500;

class Trouble extends Error {}

function options(words) {
  const wish = {
    show: "",
    target: "",
    page: "",
    times: 12,
    venues: [],
    by: "",
    allow: "",
    strict: false,
    report: "",
    cues: "",
    rehearse: false,
    speed: "own",
  };
  const value = (name) => {
    const next = words.shift();
    if (next === undefined || next.startsWith("--"))
      throw new Trouble(`${name} needs a value\n${USAGE}`);
    return next;
  };
  while (words.length > 0) {
    const word = words.shift();
    if (word === "--target") wish.target = value(word);
    else if (word === "--page") wish.page = value(word);
    else if (word === "--times") wish.times = Number(value(word));
    else if (word === "--venue") wish.venues.push(value(word));
    else if (word === "--by") wish.by = value(word);
    else if (word === "--allow")
      wish.allow = [wish.allow, value(word)].filter(Boolean).join(",");
    else if (word === "--strict") wish.strict = true;
    else if (word === "--report") wish.report = value(word);
    else if (word === "--cues") wish.cues = value(word);
    else if (word === "--rehearse") wish.rehearse = true;
    else if (word === "--speed") wish.speed = value(word);
    else if (word.startsWith("--"))
      throw new Trouble(`There is no option ${word}\n${USAGE}`);
    else if (wish.show)
      throw new Trouble(
        `Only one show is proved at a time: write its name in quotes\n${USAGE}`,
      );
    else wish.show = word;
  }
  if (!wish.show) throw new Trouble(USAGE);
  if (!Number.isInteger(wish.times) || wish.times < 1 || wish.times > 299)
    throw new Trouble("--times is a whole number from 1 to 299");
  if (wish.venues.length > 0 && !wish.by)
    throw new Trouble("Who says that the stage is clear has a name: --by NAME");
  if (wish.report && !FORMATS.includes(wish.report.split(".").pop()))
    throw new Trouble("The name of the report ends with .xml, .csv or .json");
  if (!(wish.speed in SPEEDS))
    throw new Trouble("--speed is own, 4x or fastest");
  if (wish.cues && wish.report.endsWith(".xml"))
    throw new Trouble(
      "The report of a cue list is a table: its name ends with .csv or .json",
    );
  if (wish.cues && wish.allow)
    throw new Trouble(`--allow belongs to a proof of lines\n${USAGE}`);
  if (!wish.cues && (wish.rehearse || wish.speed !== "own"))
    throw new Trouble(`--rehearse and --speed belong to --cues LIST\n${USAGE}`);
  return wish;
}

const port =
  process.env.IMPERAN_PORT || read(`${process.env.IMPERAN_VAR}/port`) || "8420";
const browser = "from-a-script";

function read(file) {
  try {
    return readFileSync(file, "utf8").trim();
  } catch {
    return "";
  }
}

async function ask(path, body, method = body === undefined ? "GET" : "POST") {
  let answer;
  try {
    answer = await fetch(`http://127.0.0.1:${port}/api${path}`, {
      method,
      headers: {
        "Content-Type": "application/json",
        "Imperan-Browser": browser,
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
  } catch {
    throw new Trouble(
      `Imperan does not answer on port ${port}. Start it first: ./imperan up`,
    );
  }
  if (!answer.ok) {
    const told = await answer.json().catch(() => null);
    throw new Trouble(
      told?.problems?.[0]?.message ??
        `Imperan answers ${answer.status} to ${path}`,
    );
  }
  return answer;
}

const json = async (...wanted) => (await ask(...wanted)).json();

/** Narrows a wish to the lines of a page, to a target, as the plan of all of them names these. */
async function narrowed(show, wish, wanted) {
  const whole = await json(`/shows/${show}/proof/plan`, wish);
  const lines = whole.lines.filter(
    (line) =>
      (!wanted.target || line.targetName === wanted.target) &&
      (!wanted.page ||
        line.page === wanted.page ||
        line.page.startsWith(`${wanted.page}, `)),
  );
  if (lines.length === 0)
    throw new Trouble(
      `No line is sent${wanted.page ? ` from the page “${wanted.page}”` : ""}${wanted.target ? ` to a target “${wanted.target}”` : ""}`,
    );
  return { ...wish, lines: lines.map((line) => line.line) };
}

function say(text) {
  process.stdout.write(`${text}\n`);
}

async function follow(path) {
  let said = -1;
  for (;;) {
    const [now] = await json(path);
    const { failed, undecided, notTried, proved } = now.counts;
    const done = failed + undecided + notTried + proved;
    if (done !== said) {
      said = done;
      say(`  ${said} of ${now.total} lines, ${failed} failed`);
    }
    if (now.trouble) throw new Trouble(now.trouble);
    if (now.phase === "ENDED" && now.number !== null) return now.number;
    await new Promise((again) => setTimeout(again, LOOK_MS));
  }
}

const SIGNS = { WELL: "", SHORT: "failed", OPEN: "undecided" };

/** Plays a cue list through and prints a line for each cue that was fired. */
async function playThrough(show, wanted) {
  const list = (await json(`/shows/${show}/cues/lists`)).find(
    ({ name }) => name === wanted.cues,
  )?.list;
  if (!list)
    throw new Trouble(
      `There is no cue list “${wanted.cues}” in “${wanted.show}”`,
    );
  const path = `/shows/${show}/cues/${list}/trial`;
  await ask(path, {
    rehearsed: wanted.rehearse,
    speed: SPEEDS[wanted.speed],
    venues: wanted.venues,
  });
  const stop = () => void ask(`${path}/stop`, {}).catch(() => {});
  process.once("SIGINT", stop);
  process.once("SIGTERM", stop);
  let told = 0;
  let now;
  do {
    [now] = await json(path);
    for (const cue of now.cues.slice(told)) tell(cue);
    told = now.cues.length;
    if (now.running) await new Promise((again) => setTimeout(again, LOOK_MS));
  } while (now.running);
  for (const left of now.left) say(`  not fired  ${left}`);
  const late =
    now.worstMs === null
      ? ""
      : ` Half of the lines left within ${now.medianMs.toFixed(1)} ms of when they were due, all within ${now.worstMs.toFixed(1)} ms.`;
  say(
    `${now.cues.length} cues fired in ${now.seconds.toFixed(1)} s: ${now.well} actions went well, ${now.fellShort} failed, ${now.open} undecided.${late}`,
  );
  if (wanted.report) {
    const file = wanted.report.endsWith(".csv")
      ? Buffer.from(await (await ask(`${path}/report.csv`)).arrayBuffer())
      : JSON.stringify(now, null, 2);
    writeFileSync(wanted.report, file);
    say(`Written: ${wanted.report}`);
  }
  if (!now.whole) throw new Trouble(now.end);
  return wanted.strict ? now.strictCode : now.code;
}

function tell(cue) {
  const worst = cue.actions.filter((action) => action.standing !== "WELL");
  const well = cue.actions.length - worst.length;
  say(
    `  ${cue.at.toFixed(3).padStart(9)} s  ${[cue.number, cue.name].join(" ").trim()}: ${
      cue.actions.length === 0
        ? "does nothing"
        : `${well} of ${cue.actions.length} well`
    }${worst.map((action) => `; ${SIGNS[action.standing]}: ${action.says}${action.why ? ` (${action.why})` : ` (${action.word})`}`).join("")}`,
  );
}

async function prove(words) {
  const wanted = options(words);
  const shows = (await json("/shows")).filter(
    (show) => show.name === wanted.show && !show.deletedAt,
  );
  if (shows.length === 0)
    throw new Trouble(`There is no show “${wanted.show}”`);
  const show = shows[0].id;
  if (wanted.by) await ask(`/browsers/${browser}`, { name: wanted.by }, "PUT");
  if (wanted.cues && (wanted.rehearse || shows[0].live))
    return playThrough(show, wanted);
  if (!shows[0].live)
    throw new Trouble(
      `“${wanted.show}” is not live: nothing can be sent. Go live with it in Shows first`,
    );
  if (wanted.allow)
    await ask(`/shows/${show}/proof/allowed`, { allow: wanted.allow });
  const all = {
    within: null,
    target: null,
    lines: [],
    which: "ALL",
    times: wanted.times,
    attended: false,
    venues: wanted.venues,
  };
  const wish =
    wanted.page || wanted.target ? await narrowed(show, all, wanted) : all;
  const plan = await json(`/shows/${show}/proof/plan`, wish);
  for (const name of wanted.venues)
    if (!plan.venues.some((venue) => venue.name === name))
      throw new Trouble(`No line here is sent to “${name}” at the venue`);
  say(
    `${wanted.show}: ${plan.lines.length} ${plan.lines.length === 1 ? "line" : "lines"}, ${plan.runs} sent, about ${Math.ceil(plan.seconds)} s`,
  );
  await ask(`/shows/${show}/proof`, { wish, token: plan.token });
  const stop = () =>
    void ask(`/shows/${show}/proof/orders`, { order: "STOP" }).catch(() => {});
  process.once("SIGINT", stop);
  process.once("SIGTERM", stop);
  const number = await follow(`/shows/${show}/proof`);
  const report = await json(`/shows/${show}/proof/reports/${number}`);
  for (const line of report.lines.filter((one) => one.standing !== "GOOD"))
    say(
      `  ${line.word.padEnd(14)} ${line.targetName} ${line.address} (${line.page}, ${line.label})${line.says ? `: ${line.says}` : ""}`,
    );
  const { failed, undecided, notTried, proved } = report.counts;
  say(
    `${failed} failed, ${undecided} undecided, ${notTried} not tried, ${proved} proved. Report ${number}`,
  );
  const ruling = await json(
    `/shows/${show}/proof/reports/${number}/ruling?strict=${wanted.strict}&allow=${encodeURIComponent(wanted.allow)}`,
  );
  for (const because of ruling.because) say(`  ${because}`);
  if (wanted.report) {
    const file = await ask(
      `/shows/${show}/proof/reports/${number}/report.${wanted.report.split(".").pop()}`,
    );
    writeFileSync(wanted.report, Buffer.from(await file.arrayBuffer()));
    say(`Written: ${wanted.report}`);
  }
  if (report.stopped) throw new Trouble("It was stopped before its end");
  return ruling.code;
}

try {
  process.exitCode = await prove(process.argv.slice(2));
} catch (e) {
  process.stderr.write(
    `imperan: ${e instanceof Trouble ? e.message : e.stack}\n`,
  );
  process.exitCode = 2;
}
