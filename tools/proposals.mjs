// How good the proposed stations and marks are on the stand-in's clips: `node tools/proposals.mjs [clip ..]`.
// Needs the demo running (PORT, default 4310). Each clip is proposed by the screen's own button, nothing is
// touched by hand, and stations, marks and measures are held against the clip's truth.
import { readdirSync, readFileSync } from 'node:fs';
import { openBrowser } from './browser.mjs';

const base = `http://localhost:${process.env.PORT ?? 4310}`;
const clips = new URL('../standins/clips/', import.meta.url);
const keys = process.argv.slice(2).length
  ? process.argv.slice(2)
  : readdirSync(clips)
      .filter((f) => f.endsWith('.truth.json'))
      .map((f) => f.replace('.truth.json', ''));
const PERSON = { 'priya-then': 'Priya', 'priya-now': 'Priya', gus: 'Gus', kofi: 'Kofi', wren: 'Wren' };
const person = (key) => PERSON[key] ?? 'Mei';
const rms = (values) => Math.sqrt(values.reduce((s, v) => s + v * v, 0) / Math.max(1, values.length));

const { browser, close } = await openBrowser();
const errors = new Map();
const stations = [];
let [held, told, speed, frames] = [0, 0, 0, 0];
const verdicts = { kept: 0, lost: 0, wrong: 0 };
try {
  const page = await browser.newPage();
  page.on('pageerror', (error) => console.error('page error:', error.message));
  await page.goto(base);
  await page.evaluate(() => fetch('/api/demo-enter', { method: 'POST', headers: { 'x-inchstep': '1' } }));
  const students = await page.evaluate(() => fetch('/api/students').then((r) => r.json()));
  for (const key of keys) {
    const truth = JSON.parse(readFileSync(new URL(`${key}.truth.json`, clips), 'utf8'));
    const student = students.find((s) => s.profile.firstName === person(key));
    const swing = await newSwing(page, student.id, key, truth);
    await page.goto(`${base}/students/${student.id}/bench/${swing}`);
    for (const view of truth.views) {
      await page.waitForSelector(`[data-testid="pane-${view.kind}"]`);
      await new Promise((done) => setTimeout(done, 2500));
      const active = await page.$eval(`[data-testid="pane-${view.kind}"]`, (pane) =>
        pane.closest('figure').className.includes('border-primary'),
      );
      if (!active) await page.keyboard.press('v');
      await new Promise((done) => setTimeout(done, 300));
      const started = Date.now();
      await press(page, 'Propose stations');
      await new Promise((done) => setTimeout(done, 300));
      await page.waitForFunction(() => !document.querySelector('progress'), {
        timeout: 120_000,
        polling: 200,
      });
      speed += Date.now() - started;
      frames += truth.frames ?? 135;
    }
    await new Promise((done) => setTimeout(done, 2500));
    await score(page, key, truth, swing);
  }
} finally {
  await close();
}
report();

async function press(page, text) {
  const there = await page.waitForFunction(
    (t) =>
      [...document.querySelectorAll('button')].find((b) => b.textContent.trim().startsWith(t) && !b.disabled),
    { polling: 100 },
    text,
  );
  await there.evaluate((button) => button.click());
}

/** The clip's swing again, with its camera and sticks but without a station or a mark. */
async function newSwing(page, student, key, truth) {
  const kept = await page.evaluate((id) => fetch(`/api/students/${id}/clips`).then((r) => r.json()), student);
  const id = crypto.randomUUID();
  const views = truth.views.map(({ id: _, ...view }) => ({
    ...view,
    clipId: kept.find((c) => c.fileName === `${key}.${view.kind}.mp4`)?.id ?? null,
    stationTimes: {},
  }));
  const body = { id, recordedOn: '2026-01-05', club: 'mid_iron', speed: 'full', views, marks: [] };
  await page.evaluate(
    (url, json) =>
      fetch(url, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-inchstep': '1' },
        body: json,
      }),
    `/api/students/${student}/swings`,
    JSON.stringify(body),
  );
  return id;
}

async function score(page, key, truth, swing) {
  const { body, reading } = await page.evaluate(
    async (id) => ({
      body: await fetch(`/api/swings/${id}`).then((r) => r.json()),
      reading: await fetch(`/api/swings/${id}/reading`).then((r) => r.json()),
    }),
    swing,
  );
  for (const view of body.views) {
    const off = [];
    for (const [station, time] of Object.entries(view.stationTimes)) {
      const frame = time * truth.framesPerSecond - truth.stationFrames[station];
      stations.push({ station, kind: view.kind, frame });
      off.push(`${station} ${frame.toFixed(0)}`);
    }
    console.log(`${key} ${view.kind}: frames off ${off.join(', ') || '(none proposed)'}`);
    const height = bodyHeight(truth, view.kind);
    for (const mark of body.marks.filter((m) => m.view === view.kind)) {
      const real = truth.marks.find(
        (m) => m.view === view.kind && m.station === mark.station && m.landmark === mark.landmark,
      );
      const late =
        view.stationTimes[mark.station] * truth.framesPerSecond - truth.stationFrames[mark.station];
      if (!real || Math.abs(late) > 1.5) continue;
      const list = errors.get(mark.landmark) ?? [];
      list.push([(mark.u - real.u) / height, (mark.v - real.v) / height, mark.sdPx / height]);
      errors.set(mark.landmark, list);
    }
  }
  const out = [];
  for (const m of reading.measures ?? []) {
    const real = truth.measures[m.id];
    if (real === undefined) continue;
    told++;
    if (m.lo95 <= real && real <= m.hi95) held++;
    else out.push(`${m.id} ${m.value.toFixed(1)}±${(1.96 * m.sd).toFixed(1)} true ${real.toFixed(1)}`);
    const { lo, hi } = m.band;
    const side = lo !== null && real < lo ? 'low' : hi !== null && real > hi ? 'high' : 'in';
    if (m.verdict === side) verdicts.kept++;
    else if (m.verdict === 'cant_tell') verdicts.lost++;
    else verdicts.wrong++;
  }
  console.log(`  outside: ${out.join('; ') || 'none'}`);
}

function bodyHeight(truth, kind) {
  const at = (landmark) =>
    truth.marks.find((m) => m.view === kind && m.station === 'address' && m.landmark === landmark);
  const [head, ankle] = [at('head'), at('trail_ankle')];
  return head && ankle ? (ankle.v - head.v) / 0.85 : 420;
}

function report() {
  console.log('\nlandmark        n   u rms  u mean  v rms  v mean  sd given (shares of body height)');
  for (const [landmark, list] of errors) {
    const col = (k) => list.map((row) => row[k]);
    const mean = (values) => values.reduce((s, v) => s + v, 0) / values.length;
    const cells = [rms(col(0)), mean(col(0)), rms(col(1)), mean(col(1)), mean(col(2))];
    console.log(
      `${landmark.padEnd(14)} ${String(list.length).padStart(3)}  ${cells.map((c) => c.toFixed(3)).join('   ')}`,
    );
  }
  const near = stations.filter((s) => Math.abs(s.frame) <= 2).length;
  console.log(`\nstations within two frames: ${near} of ${stations.length}`);
  console.log(
    `measures whose interval holds the truth: ${held} of ${told} (${((100 * held) / told).toFixed(1)} %)`,
  );
  console.log(`verdicts right ${verdicts.kept}, can't tell ${verdicts.lost}, wrong ${verdicts.wrong}`);
  console.log(`${(speed / frames).toFixed(0)} ms a frame of the clips, decoding included`);
}
