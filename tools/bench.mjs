// Measured figures: `./inchstep bench` (speeds and sizes), `bench coverage N`, `bench marks N`, `bench calibration N`,
// `bench season N`, `bench plans N`, `bench progress N`, `bench bars N`, `bench proposals SEED`, `bench errors SEEDS`, `bench frames`, `bench hostile [long]`, `bench durability N`, `bench scale N`.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { gzipSync } from 'node:zlib';
import { heldBy, PROGRESS_TOLD, percent } from './benchTold.mjs';
import { openBrowser } from './browser.mjs';

const [study, size] = process.argv.slice(2);
const node = (args, more = {}) => spawnSync('node', args, { encoding: 'utf8', maxBuffer: 1e8, ...more });
const lines = (text) =>
  text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line));
const row = (name, value, goal = '') =>
  console.log(`${name.padEnd(52)} ${String(value).padStart(12)}  ${goal}`);

const TABLES = {
  coverage: coverageTable,
  calibration: calibrationTable,
  marks: marksTable,
  season: seasonTable,
  plans: plansTable,
  progress: progressTable,
  bars: barsTable,
  proposals: proposalsTable,
  errors: errorsTables,
  frames: framesTable,
  hostile: hostileTable,
  durability: hostileTable,
  scale: scaleTable,
};
await (TABLES[study] ?? everyday)();

/** Each line of a siege as soon as it is there: the long form takes an hour. */
async function* siege() {
  const words = ['node_modules/tsx/dist/cli.mjs', 'e2e/src/siegeStudy.ts', study, ...(size ? [size] : [])];
  const running = spawn('node', words, { stdio: ['ignore', 'pipe', 'inherit'] });
  for await (const text of createInterface({ input: running.stdout })) yield JSON.parse(text);
  const code = running.exitCode ?? (await new Promise((done) => running.once('close', done)));
  if (code !== 0) process.exitCode = 1;
}

/** A folder with many students of the demo's kind, in the running program. */
function scaleTable() {
  const words = ['node_modules/tsx/dist/cli.mjs', 'e2e/src/scaleStudy.ts', ...(size ? [size] : [])];
  const { stdout } = node(words, { stdio: ['ignore', 'pipe', 'inherit'] });
  for (const { what, value, unit, goal } of lines(stdout)) {
    const text = value < 10 && !Number.isInteger(value) ? value.toFixed(2) : Math.round(value);
    row(what, `${text} ${unit}`.trim(), goal === null ? '' : `goal ${goal}`);
  }
}

/** What the running program was tried with, what it came to, and what it must come to. */
async function hostileTable() {
  console.log(
    `${'what was tried'.padEnd(84)} ${'how often'.padStart(10)} ${'it came to'.padStart(14)}  must be`,
  );
  for await (const { what, tried, value, unit, goal } of siege()) {
    const text =
      `${Number.isInteger(value) || value >= 10 ? Math.round(value) : value.toFixed(1)} ${unit}`.trim();
    console.log(`${what.padEnd(84)} ${String(tried).padStart(10)} ${text.padStart(14)}  ${goal ?? ''}`);
  }
}

async function everyday() {
  console.log('In a warm process (median of runs, worst in brackets)');
  for (const s of lines(node(['dist/bench.js', 'speeds']).stdout)[0])
    row(
      s.what,
      `${s.medianMs.toFixed(1)} ms`,
      `(${s.worstMs.toFixed(1)})${s.goalMs ? ` goal ${s.goalMs}` : ''}`,
    );
  await onThePhone();
  console.log('\nAs a whole process');
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-bench-'));
  const gate = join(folder, 'gate.json');
  writeFileSync(gate, '{"reps":"PPFPP","stage":"half"}');
  const starts = Array.from({ length: 7 }, () => {
    const from = performance.now();
    node(['dist/cli.js', 'gate', gate]);
    return performance.now() - from;
  }).sort((a, b) => a - b);
  row('a core command, start to end', `${starts[3].toFixed(0)} ms`, 'goal 500');
  await page(folder);
  rmSync(folder, { recursive: true, force: true });
  console.log('\nSizes');
  const assets = 'web/dist/assets';
  const sizeOf = (pattern) =>
    readdirSync(assets)
      .filter((f) => pattern.test(f))
      .reduce((sum, f) => sum + gzipSync(readFileSync(join(assets, f))).length, 0);
  row('scripts of the screens, gzip', `${Math.round(sizeOf(/^index.*\.js$/) / 1024)} kB`);
  row('scripts of the workers, gzip', `${Math.round(sizeOf(/worker.*\.js$/) / 1024)} kB`);
  row('styles, gzip', `${Math.round(sizeOf(/\.css$/) / 1024)} kB`);
}

/** What progress takes in a browser, at this machine's speed, at half of it and at a quarter: phones of today and of some years ago. */
async function onThePhone() {
  const { browser, close } = await openBrowser();
  for (const times of [1, 2, 4]) {
    const tab = await browser.newPage();
    await tab.setContent('<!doctype html>');
    await tab.addScriptTag({ content: readFileSync('dist/phone-speeds.js', 'utf8') });
    await tab.emulateCPUThrottling(times);
    const [four] = await tab.evaluate(() => globalThis.progressSpeeds());
    const where = { 1: 'in a browser', 2: 'there at half the speed', 4: 'there at a quarter of it' }[times];
    row(`  ${where}: four measures`, `${four.medianMs.toFixed(1)} ms`, `(${four.worstMs.toFixed(1)}) goal 5`);
    await tab.close();
  }
  await close();
}

/** First paint and ready of the empty program and of the student's page at phone speed. */
async function page(folder) {
  const port = 4390;
  const env = { ...process.env, DATA_DIR: join(folder, 'data'), PORT: String(port), LOG_LEVEL: 'silent' };
  const server = spawn('node', ['server/dist/server.js'], { env, stdio: ['ignore', 'pipe', 'ignore'] });
  const from = performance.now();
  await new Promise((done) => server.stdout.on('data', (d) => String(d).includes('ready') && done()));
  row('server ready with an empty folder', `${(performance.now() - from).toFixed(0)} ms`);
  const { browser, close } = await openBrowser();
  const paints = [];
  for (let i = 0; i < 5; i++) {
    const context = await browser.createBrowserContext();
    const tab = await context.newPage();
    await tab.goto(`http://localhost:${port}/`, { waitUntil: 'networkidle0' });
    paints.push(
      await tab.evaluate(
        () => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Number.NaN,
      ),
    );
    await context.close();
  }
  row('first paint, cold cache', `${paints.sort((a, b) => a - b)[2].toFixed(0)} ms`);
  await close();
  server.kill('SIGTERM');
}

/** Two clips of a phone's size on the bench of the running program. */
function framesTable() {
  const { stdout, stderr } = node(['--import', 'tsx', 'e2e/src/framesStudy.ts']);
  if (!stdout.startsWith('{')) throw new Error(`the study did not end: ${stderr}`);
  const s = lines(stdout)[0];
  console.log(`Two H.264 clips of ${s.wide} x ${s.high}, ${s.frames} frames each, on the bench`);
  row('ready the first time', `${s.firstS.toFixed(1)} s`, 'with progress');
  row('ready when opened again', `${s.againS.toFixed(1)} s`);
  for (const [name, took] of Object.entries({ ...s.steps, 'at random, opened again': s.again }))
    row(`a step ${name}, median`, `${took.median.toFixed(0)} ms`, `95th ${took.p95.toFixed(0)} ms, goal 60`);
  row('memory of the browser, another screen', `${s.before.toFixed(0)} MB`);
  row('with both clips, just copied', `${s.after.toFixed(0)} MB`);
  row('the same, told that memory is short', `${s.pressed.toFixed(0)} MB`, 'goal 700');
  row('with both clips, opened again', `${s.afterAgain.toFixed(0)} MB`, 'goal 700');
}

function coverageTable() {
  console.log('95 % intervals over random golfers and cameras that nothing was tuned on');
  console.log('group'.padEnd(26), 'golfers intervals   held   told  wrong   shift_delivery  turn_impact');
  for (const c of lines(node(['dist/bench.js', 'coverage', size ?? '100']).stdout))
    console.log(
      c.name.padEnd(26),
      String(c.golfers).padStart(7),
      String(c.intervals).padStart(9),
      percent(c.held).padStart(6),
      percent(c.told).padStart(6),
      percent(c.wrong).padStart(6),
      `${c.rms.shift_delivery.toFixed(2)} in`.padStart(16),
      `${c.rms.turn_impact.toFixed(1)}°`.padStart(12),
    );
}

function marksTable() {
  console.log('What fewer marks still tell, five stations and two views');
  console.log('marks placed'.padEnd(44), 'count  verdicts kept  leading   held');
  for (const m of lines(node(['dist/bench.js', 'marks', size ?? '40']).stdout))
    console.log(
      m.name.padEnd(44),
      m.marks.toFixed(0).padStart(5),
      percent(m.kept).padStart(14),
      percent(m.leading).padStart(8),
      percent(m.held).padStart(6),
    );
}

function seasonTable() {
  console.log('Twelve weeks of made-up students, day by day: planned by the program, and by hand');
  console.log(
    'way'.padEnd(26),
    'students  owned  median days  repetitions  to owned  wrong advances  rules broken  days without a word',
  );
  for (const row of lines(node(['dist/bench.js', 'season', size ?? '50']).stdout))
    if (row.stage)
      console.log(
        `dates said of ${row.stage}`.padEnd(32),
        `${row.said} said, likely met ${percent(row.likely)} (goal 50), late met ${percent(row.late)} (goal 75-85)`,
      );
    else
      console.log(
        row.name.padEnd(26),
        String(row.seasons).padStart(8),
        percent(row.owned).padStart(7),
        String(row.medianDays ?? '-').padStart(11),
        String(Math.round(row.reps)).padStart(12),
        String(row.repsToOwned ?? '-').padStart(9),
        percent(row.wrong).padStart(14),
        String(row.broken).padStart(13),
        String(row.empty).padStart(14),
      );
}

/** How often progress is right: N seasons a row. */
function progressTable() {
  for (const r of lines(node(['dist/bench.js', 'progress', size ?? '1000']).stdout))
    row(...PROGRESS_TOLD[r.part](r));
}

/** The bars of "real", as core/src/rooms/progress/season/barTable.ts has them. */
function barsTable() {
  for (const [what, n] of [
    ['bars', size ?? '10000'],
    ['bars-beside', String(Math.ceil(Number(size ?? 10_000) / 8))],
  ])
    for (const { family, bars } of lines(node(['dist/bench.js', what, n]).stdout))
      row(
        `family ${family}${what === 'bars' ? '' : ', told beside each other'}`,
        '',
        bars.map((bar) => bar.toFixed(2)).join('  '),
      );
}

/** Swings of made-up players, two on either day, filmed and looked through once (an hour and a half), then asked again; `size` is the seed. */
function proposalsTable() {
  const seed = size ?? '41';
  const see = ['node_modules/tsx/dist/cli.mjs', 'standins/src/render/seeSwings.ts', seed, '12', '2', '2'];
  node(see, { stdio: ['ignore', 'inherit', 'inherit'] });
  for (const r of lines(node(['dist/bench.js', 'proposals', seed]).stdout))
    row(
      `${r.name}, ${r.teaching}`,
      percent(r.told / r.hand),
      `of ${r.hand} verdicts by hand told (${r.players} players); wrong ${r.wrong}; ${percent(r.held / r.intervals)} of ${r.intervals} intervals held: ${heldBy(r.parts)}`,
    );
}

/** The tables of how the network errs, read from seeds that are filmed and no judges (`bench errors 21,22,31`), as they stand in the core. */
function errorsTables() {
  const [tables] = lines(node(['dist/bench.js', 'errors', ...(size ? [size] : [])]).stdout);
  for (const [name, rows] of Object.entries(tables)) console.log(`${name}\n${rows.join('\n')}\n`);
}

function plansTable() {
  const [s] = lines(node(['dist/bench.js', 'plans', size ?? '5000']).stdout);
  row('random requests laid', s.plans);
  row('sessions checked', s.sessions);
  row(
    'rules broken',
    Object.values(s.broken).reduce((a, b) => a + b, 0),
    'goal 0',
  );
  row('a plan with its ways out, median', `${s.medianMs.toFixed(1)} ms`, `(${s.worstMs.toFixed(1)})`);
}

function calibrationTable() {
  console.log('Diagnoses of stand-in golfers with known faults, measured through two cameras');
  console.log('group'.padEnd(32), 'cases  first  in two silent  Brier  mean error');
  for (const c of lines(node(['dist/bench.js', 'calibration', size ?? '500']).stdout)) {
    console.log(
      c.name.padEnd(32),
      String(c.cases).padStart(5),
      percent(c.first).padStart(6),
      percent(c.inTwo).padStart(7),
      percent(c.silent).padStart(6),
      c.brier.toFixed(4),
      c.expectedError.toFixed(4),
    );
    console.log(
      '   said / so:',
      c.tenths
        .map((t) => (t.count ? `${t.said.toFixed(2)}/${t.so.toFixed(2)} (${t.count})` : '-'))
        .join('  '),
    );
  }
}
