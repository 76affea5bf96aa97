// Draws the icons that a phone shows for the student's page, from the mark of the program, and puts them beside it.
import { readFileSync, writeFileSync } from 'node:fs';
import { openBrowser } from './browser.mjs';

const mark = readFileSync('web/public/notch.svg', 'utf8').replace('<svg ', '<svg style="width:72%" ');
const { browser, close } = await openBrowser();
const page = await browser.newPage();
for (const size of [180, 192, 512]) {
  await page.setViewport({ width: size, height: size });
  // The paper reaches every edge: phones cut their own shape out of it.
  await page.setContent(
    `<body style="margin:0;display:grid;place-items:center;height:100vh;background:#fdfcf8">${mark}</body>`,
  );
  writeFileSync(`web/public/page-icon-${size}.png`, await page.screenshot());
}
await close();
