// One picture of each main view from the demo data: `node tools/pictures.mjs [folder] [name ..]`.
// Needs the demo running (PORT, default 4310). Names pick single views.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { openBrowser } from './browser.mjs';

const base = `http://localhost:${process.env.PORT ?? 4310}`;
const [folder = 'docs/screenshots', ...only] = process.argv.slice(2);

/** name, whose page, path below the student, what to wait for or do before the picture. */
const VIEWS = [
  { name: 'today', path: '/' },
  { name: 'roster', path: '/students' },
  { name: 'student', of: 'Priya', path: '' },
  { name: 'intake', of: 'Priya', path: '/intake', act: changeSchool },
  { name: 'bench', of: 'Priya', path: '/bench', act: openBench },
  { name: 'compare', of: 'Priya', path: '/compare', act: holdPair },
  { name: 'reasons', of: 'Kofi', path: '/diagnosis' },
  { name: 'chain', of: 'Kofi', path: '/diagnosis', act: openChain },
  { name: 'data', path: '/data', act: openRecord },
  { name: 'drill', of: 'Gus', path: '/drills' },
  { name: 'everybody', path: '/everybody' },
  { name: 'drill-editor', path: '/library/kiss_the_post/edit' },
  { name: 'schools', path: '/schools' },
  { name: 'ladder', of: 'Priya', path: '/ladder' },
  { name: 'review', of: 'Mei', path: '/checkins', act: drawAtTop },
  { name: 'progress', of: 'Hanne', path: '/progress' },
  { name: 'report', of: 'Hanne', path: '/report?for=coach' },
  { name: 'student-page', of: 'Gus', phone: true },
  { name: 'lesson', of: 'Piet', path: '/lesson', act: count },
];

async function openRecord(page) {
  await page.waitForSelector('select option:nth-child(3)');
  const kofi = await page.$$eval(
    'select option',
    (all) => all.find((o) => o.textContent.startsWith('Kofi'))?.value,
  );
  await page.select('select', kofi);
}

/** One answer changed for this student, and the bands that it moves. */
async function changeSchool(page) {
  await page.locator('summary ::-p-text(thirteen answers)').click();
  await page.select('[id="school.centre"]', 'slide');
  await page.waitForSelector('section[aria-label="What the changes move"]');
  await page.$eval('#preset', (e) => e.scrollIntoView({ block: 'start' }));
  await page.evaluate(() => scrollBy(0, 330));
}

async function openBench(page) {
  await page.evaluate(() => {
    const rows = [...document.querySelectorAll('a[href*="/bench/"]')];
    const marked = rows.find((a) => a.textContent.includes('Down the line') && a.closest('li')) ?? rows[0];
    marked?.click();
  });
  await page.waitForSelector('[data-testid="pane-face_on"]');
  await new Promise((done) => setTimeout(done, 3500));
  await page.evaluate(() => {
    const top = [...document.querySelectorAll('ol[aria-label="Stations"] button')].find((b) =>
      b.textContent.includes('Top'),
    );
    top?.click();
  });
  await new Promise((done) => setTimeout(done, 2500));
}

async function holdPair(page) {
  await new Promise((done) => setTimeout(done, 3000));
  await page.evaluate(() =>
    [...document.querySelectorAll('button')].find((b) => b.textContent === 'Top')?.click(),
  );
  await new Promise((done) => setTimeout(done, 2000));
}

async function openChain(page) {
  await page.evaluate(() =>
    [...document.querySelectorAll('button')].find((b) => b.textContent === 'Chain board')?.click(),
  );
  await new Promise((done) => setTimeout(done, 1500));
}

/** A lesson under way: a few sets by keys, two words. */
async function count(page) {
  const pause = (ms) => new Promise((done) => setTimeout(done, ms));
  const press = (text) =>
    page.evaluate(
      (name) => [...document.querySelectorAll('button')].find((b) => b.textContent.trim() === name)?.click(),
      text,
    );
  await press('Begin, in the bay');
  await page.waitForSelector('input[aria-label="Note"]');
  await page.keyboard.press('5');
  await page.waitForSelector('section[aria-label^="Counting"]');
  for (const key of 'ppfpppppfpppp') {
    await page.keyboard.press(key);
    await pause(150);
  }
  for (const [text, tag] of [
    ['lands before the club turns', 'Feels like'],
    ['heel tap instead of the step', 'Try next'],
  ]) {
    await page.type('input[aria-label="Note"]', text);
    await press(tag);
    await pause(800);
  }
  await page.evaluate(() => document.activeElement?.blur());
  await pause(5000);
}

/** The pair at the top, a line drawn on it, and its picture put with the reply. */
async function drawAtTop(page) {
  await holdAtTop(page);
  await page.keyboard.press('d');
  const box = await (await page.$('#pair')).boundingBox();
  const at = (share) => [
    box.x + box.width * (0.74 + 0.02 * share),
    box.y + box.height * (0.35 + 0.5 * share),
  ];
  await page.mouse.move(...at(0));
  await page.mouse.down();
  for (let share = 0; share <= 1; share += 0.1) await page.mouse.move(...at(share));
  await page.mouse.up();
  await page.keyboard.press('p');
  await page.waitForSelector('ul[aria-label="Put with the reply"] li');
}

async function holdAtTop(page) {
  await new Promise((done) => setTimeout(done, 2500));
  await page.evaluate(() =>
    [...document.querySelectorAll('button')].find((b) => b.textContent === 'Top')?.click(),
  );
  await new Promise((done) => setTimeout(done, 1500));
}

const { browser, close } = await openBrowser();
try {
  mkdirSync(folder, { recursive: true });
  const page = await browser.newPage();
  // A picture of something that moves is one of its last pose.
  await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
  page.on('pageerror', (error) => console.error('page error:', error.message));
  page.on('console', (message) => message.type() === 'error' && console.error('console:', message.text()));
  await page.goto(base);
  await page.evaluate(() => fetch('/api/demo-enter', { method: 'POST', headers: { 'x-inchstep': '1' } }));
  const students = await page.evaluate(() => fetch('/api/students').then((r) => r.json()));
  for (const view of VIEWS) {
    if (only.length > 0 && !only.includes(view.name)) continue;
    const student = students.find((s) => s.profile.firstName === view.of);
    let url = student ? `/students/${student.id}${view.path ?? ''}` : view.path;
    if (view.phone) {
      const link = await page.evaluate(
        (id) =>
          fetch(`/api/students/${id}/links`, {
            method: 'POST',
            headers: { 'content-type': 'application/json', 'x-inchstep': '1' },
            body: '{"days":30}',
          }).then((r) => r.json()),
        student.id,
      );
      url = `/p/${link.token}`;
    }
    await page.setViewport(
      view.phone ? { width: 390, height: 844, isMobile: true, hasTouch: true } : { width: 1280, height: 800 },
    );
    await page.goto(base + url, { waitUntil: 'networkidle0' });
    await view.act?.(page);
    await new Promise((done) => setTimeout(done, 600));
    await page.screenshot({ path: join(folder, `${view.name}.png`) });
    console.log(view.name);
  }
} finally {
  await close();
}
