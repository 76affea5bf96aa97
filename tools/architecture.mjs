// Draws docs/architecture.svg from the imports: `node tools/architecture.mjs`. Boxes are rooms on floors, with their
// lines of code; arrows are imports, thicker where there are more. Three walks lie over it: a mark, a set, a check-in.
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';

const ROOMS = [
  'intake',
  'capture',
  'measures',
  'diagnosis',
  'prescription',
  'practice',
  'checkins',
  'progress',
];
const COLUMNS = [...ROOMS, 'shared'];
const FLOORS = ['web', 'server', 'contract', 'core'];
const [WIDTH, HEIGHT, GAP_X, GAP_Y, LEFT, TOP] = [112, 64, 28, 88, 90, 150];
const INK = '#1b2a33';
const WALKS = [
  {
    name: 'A mark',
    color: '#0f6a5a',
    stops: ['web/measures', 'server/capture', 'server/measures', 'core/measures'],
  },
  { name: 'A set', color: '#9a4b00', stops: ['web/practice', 'server/practice', 'core/practice'] },
  {
    name: 'A check-in',
    color: '#5b3a8c',
    stops: ['web/checkins', 'server/checkins', 'core/checkins', 'core/progress'],
  },
];

const cellOf = (path) => {
  const [floor, src, rooms, room] = path.split('/');
  if (!FLOORS.includes(floor) || src !== 'src') return null;
  return `${floor}/${rooms === 'rooms' && ROOMS.includes(room) ? room : 'shared'}`;
};
const at = (cell) => {
  const [floor, column] = cell.split('/');
  return {
    x: LEFT + COLUMNS.indexOf(column) * (WIDTH + GAP_X),
    y: TOP + FLOORS.indexOf(floor) * (HEIGHT + GAP_Y),
  };
};

/** How often files of one cell import files of another. */
function importsBetween() {
  const args = ['depcruise', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'];
  const text = execFileSync('npx', [...args, ...FLOORS.map((floor) => `${floor}/src`)], {
    encoding: 'utf8',
    maxBuffer: 2 ** 28,
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  const counts = new Map();
  for (const { source, dependencies } of JSON.parse(text).modules) {
    for (const { resolved } of dependencies) {
      const [from, to] = [cellOf(source), cellOf(resolved)];
      if (!from || !to || from === to || /\.test\.|testing\//.test(source)) continue;
      const key = `${from} ${to}`;
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
  }
  return counts;
}

function linesByCell() {
  const files = execFileSync('git', ['ls-files', '*.ts', '*.tsx'], { encoding: 'utf8' }).split('\n');
  const lines = new Map();
  for (const file of files) {
    const cell = cellOf(file);
    if (!cell || /\.test\.|testing\//.test(file)) continue;
    lines.set(cell, (lines.get(cell) ?? 0) + readFileSync(file, 'utf8').split('\n').length - 1);
  }
  return lines;
}

/** Within a floor an arc above the boxes; between floors a line down. */
function arrow([key, count]) {
  const [from, to] = key.split(' ');
  const [a, b] = [at(from), at(to)];
  const thick = Math.min(6, 0.6 + Math.log2(count) / 2).toFixed(1);
  const [x1, x2] = [a.x + WIDTH / 2, b.x + WIDTH / 2];
  const path =
    a.y === b.y
      ? `M${x1} ${a.y} C${x1} ${a.y - 14 - Math.abs(x2 - x1) / 18} ${x2} ${b.y - 14 - Math.abs(x2 - x1) / 18} ${x2} ${b.y}`
      : `M${x1} ${a.y + HEIGHT} L${x2} ${b.y}`;
  const faint = a.y === b.y || from.split('/')[1] === to.split('/')[1] ? 0.4 : 0.1;
  return `<path d="${path}" fill="none" stroke="${INK}" stroke-opacity="${faint}" stroke-width="${thick}"/>`;
}

function box(cell, lines) {
  const { x, y } = at(cell);
  return `<g><rect x="${x}" y="${y}" width="${WIDTH}" height="${HEIGHT}" rx="5" fill="#fdfbf3" stroke="${INK}"/>
<text x="${x + WIDTH / 2}" y="${y + 28}" text-anchor="middle" font-weight="600">${cell.split('/')[1]}</text>
<text x="${x + WIDTH / 2}" y="${y + 48}" text-anchor="middle" font-size="12">${lines.toLocaleString('en-US')} lines</text></g>`;
}

function walk({ name, color, stops }, i) {
  const points = stops.map((stop) => ({ x: at(stop).x + 14 + i * 6, y: at(stop).y + HEIGHT }));
  const line = points.map(({ x, y }, n) => `${n ? 'L' : 'M'}${x} ${y}`).join(' ');
  const dots = points.map(
    ({ x, y }, n) =>
      `<circle cx="${x}" cy="${y}" r="9" fill="${color}"/><text x="${x}" y="${y + 4}" text-anchor="middle" font-size="11" fill="#fff">${n + 1}</text>`,
  );
  const key = `<text x="${LEFT + i * 190}" y="80" fill="${color}" font-weight="600">${name}: ${stops.length} stops</text>`;
  return `<path d="${line}" fill="none" stroke="${color}" stroke-width="3"/>${dots.join('')}${key}`;
}

const lines = linesByCell();
const [wide, high] = [
  LEFT + COLUMNS.length * (WIDTH + GAP_X),
  TOP + FLOORS.length * (HEIGHT + GAP_Y) - GAP_Y + 30,
];
const floors = FLOORS.map(
  (floor) => `<text x="16" y="${at(`${floor}/intake`).y + HEIGHT / 2 + 5}" font-weight="600">${floor}</text>`,
);
writeFileSync(
  'docs/architecture.svg',
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${wide} ${high}" font-family="sans-serif" font-size="14" fill="${INK}">
<rect width="100%" height="100%" fill="#fffef9"/>
<text x="16" y="36" font-size="20" font-weight="700">Inch Step: rooms, floors and imports</text>
<text x="16" y="56" font-size="12">Arrows go from what imports to what is imported, thicker for more files. Drawn by tools/architecture.mjs.</text>
${[...importsBetween()].sort().map(arrow).join('\n')}
${floors.join('\n')}
${[...lines.keys()]
  .sort()
  .map((cell) => box(cell, lines.get(cell)))
  .join('\n')}
${WALKS.map(walk).join('\n')}
</svg>
`,
);
