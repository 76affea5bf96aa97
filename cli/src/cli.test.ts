import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { drillsSchema, readDocument, toDrill } from '@inchstep/contract/formats';
import { checkDrill } from '@inchstep/core/prescription';
import { afterAll, describe, expect, test } from '@jest/globals';
import { COMMANDS } from './commands.ts';

const answer = (command: string, json: unknown): Record<string, never> => {
  const result = (COMMANDS[command] as (typeof COMMANDS)[string])(json);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value as Record<string, never>;
};
const problems = (command: string, json: unknown) => {
  const result = (COMMANDS[command] as (typeof COMMANDS)[string])(json);
  return result.ok ? [] : result.problems;
};
const file = {
  format: 'inchstep.case/1',
  student: { heightIn: 70, aids: ['stick', 'phone'] },
  measures: [
    { id: 'shift_top', value: -2.6, sd: 0.2 },
    { id: 'trail_hip_past_line', value: 1.6, sd: 0.2 },
  ],
};

describe('each command answers in its format', () => {
  test('simulate, then measure what it made: most truths lie in their intervals', () => {
    const made = answer('simulate', { faults: { sway: 2 }, seed: 7, swings: 2 }) as unknown as {
      swings: { capture: object; truth: { measures: Record<string, number> } }[];
    };
    expect(made.swings).toHaveLength(2);
    const first = made.swings[0] as (typeof made.swings)[number];
    const { measures, format } = answer('measure', first.capture) as unknown as {
      format: string;
      measures: { id: string; lo95: number; hi95: number; verdict: string }[];
    };
    expect(format).toBe('inchstep.measures/1');
    const known = measures.filter((m) => first.truth.measures[m.id] !== undefined);
    const held = known.filter((m) => {
      const truth = first.truth.measures[m.id] as number;
      return m.lo95 <= truth && truth <= m.hi95;
    });
    expect(held.length / known.length).toBeGreaterThan(0.85);
    expect(measures.find((m) => m.id === 'shift_top')?.verdict).toBe('low');
  });
  test('simulate: the same seed, the same golfer', () => {
    const ask = { faults: { stall: 1 }, seed: 3 };
    expect(answer('simulate', ask)).toEqual(answer('simulate', ask));
    expect(answer('simulate', ask)).not.toEqual(answer('simulate', { ...ask, seed: 4 }));
  });
  test('simulate with other devices beside the camera leaves the marks as they are', () => {
    const ask = { faults: { sway: 2 }, seed: 7 };
    const bare = answer('simulate', ask) as unknown as { swings: { capture: object }[] };
    const full = answer('simulate', { ...ask, track: true, pressure: true, shots: 12 }) as unknown as {
      swings: { capture: object; track: string; pressure: string; truth: { timeMeasures: object } }[];
      shots: string;
      truth: { shotMeans: { lowPointIn: number } };
    };
    expect(full.swings[0]?.capture).toEqual(bare.swings[0]?.capture);
    expect(full.swings[0]?.track.split('\n')[0]).toMatch(/^time_s,lead_hip_x_in/);
    expect(full.swings[0]?.pressure.split('\n')[0]).toBe('time_s,lead_pct');
    expect(full.shots.trim().split('\n')).toHaveLength(13);
    expect(full.truth.shotMeans.lowPointIn).toBeLessThan(0);
  });
  test('diagnose', () => {
    expect(answer('diagnose', file)).toMatchObject({
      format: 'inchstep.diagnosis/1',
      enough: true,
      roots: [{ fault: 'sway', strength: 'strong' }],
      workOn: ['sway'],
    });
  });
  test('prescribe, by diagnosis and as told', () => {
    expect(answer('prescribe', file)).toMatchObject({ format: 'inchstep.prescription/1', workOn: ['sway'] });
    const told = answer('prescribe', { ...file, workOn: ['stall'] }) as unknown as {
      drills: { id: string; reasons: string[]; cue: string }[];
    };
    expect(told.drills[0]?.reasons.length).toBeGreaterThan(0);
    expect(told.drills[0]?.cue).not.toBe('');
  });
  test('plan', () => {
    const plan = answer('plan', {
      ...file,
      drills: ['kiss_the_post'],
      planning: {
        start: '2027-03-01',
        nextLesson: '2027-03-15',
        days: ['mon', 'wed', 'sun'],
        placeByDay: { sun: 'range' },
      },
    });
    expect(plan).toMatchObject({ format: 'inchstep.plan/1', days: expect.any(Array) });
  });
  test('gate', () => {
    expect(answer('gate', { reps: 'PPPPPPP', stage: 'half' })).toEqual({
      decision: 'advance',
      repsUsed: 7,
      tape: 1,
    });
  });
  test('change', () => {
    const sessions = [
      { date: '2027-03-01', values: [-2, -2.1, -1.9], sd: 0.3 },
      ...['2027-03-20', '2027-03-27', '2027-04-03'].map((date) => ({
        date,
        values: [0, 0.1, -0.1],
        sd: 0.3,
      })),
    ];
    const asked = { measure: 'shift_top', sessions, family: 1 };
    const { verdict, delta, lo95, hi95, smallestReal } = answer('change', asked) as Record<string, unknown>;
    expect([verdict, Number(delta) > 1.6, Number(smallestReal) < Number(delta)]).toEqual([
      'real',
      true,
      true,
    ]);
    // Asked about the whole season, the program says the same of that day.
    const { looks } = answer('change', { ...asked, question: 'season' }) as unknown as { looks: object[] };
    expect(looks.at(-1)).toMatchObject({ verdict, delta, lo95, hi95 });
  });
});

describe('change, over a season', () => {
  const week = (day: string, at: number, more: object = {}) => ({
    date: `2027-${day}`,
    values: [at - 0.1, at, at + 0.1],
    sd: 0.2,
    ...more,
  });
  const season = (sessions: object[], more: object = {}) =>
    answer('change', {
      measure: 'shift_top',
      question: 'season',
      sessions,
      family: 1,
      ...more,
    }) as unknown as {
      looks: { date: string; verdict: string; probability: number; delta: number; lo95: number | null }[];
      forecast: { inBand: { likely: string; lo80: string; hi80: string } | null; owned: object | null };
    };
  test('a verdict after each session, sorted by date, and dates where a gain goes on', () => {
    const days = ['03-01', '03-08', '03-15', '03-22', '03-29', '04-05', '04-12'];
    const sessions = days.map((day, i) =>
      week(day, -3.7 + 0.3 * i, { speed: 'full', aid: 'off', club: 'mid_iron', place: 'range', reps: 90 }),
    );
    const { looks, forecast } = season([...sessions].reverse());
    expect(looks.map(({ date }) => date)).toEqual(days.map((day) => `2027-${day}`));
    expect(looks[0]).toEqual({
      date: '2027-03-01',
      verdict: 'cant_tell',
      probability: 0.5,
      delta: 0,
      lo95: null,
      hi95: null,
    });
    expect(looks.at(-1)?.delta).toBeGreaterThan(0.8);
    expect(forecast.inBand && forecast.inBand.lo80 <= forecast.inBand.likely).toBe(true);
    expect(forecast.owned).not.toBeNull();
  });
  test('two clubs are two questions; a speed may be a number', () => {
    const { looks, forecast } = season([
      week('03-01', -3, { club: 'wedge', speed: 100 }),
      week('03-08', 0, { club: 'driver', speed: 100 }),
    ]);
    expect(looks.map(({ verdict }) => verdict)).toEqual(['cant_tell', 'cant_tell']);
    expect(forecast).toEqual({ inBand: null, owned: null });
  });
  test('an empty season, a day without a swing, one swing ever', () => {
    expect(season([])).toEqual({ looks: [], forecast: { inBand: null, owned: null } });
    expect(season([{ date: '2027-03-01', values: [], sd: 0.2 }]).looks).toHaveLength(1);
    expect(season([{ date: '2027-03-01', values: [1], sd: 0 }]).looks[0]?.verdict).toBe('cant_tell');
  });
});

describe('bad input is refused by path', () => {
  test.each([
    [
      'measure',
      {
        format: 'inchstep.capture/1',
        golfer: { handedness: 'right', heightIn: 7 },
        views: [{ id: 'a', kind: 'face_on', widthPx: 100, heightPx: 100 }],
        marks: [],
      },
      'golfer.heightIn',
    ],
    ['diagnose', { ...file, measures: [{ id: 'nonsense', value: 1, sd: 1 }] }, 'measures[0].id'],
    ['diagnose', { ...file, findings: [{ id: 'obs.flip', seen: 'maybe' }] }, 'findings[0].seen'],
    ['prescribe', { ...file, workOn: ['nonsense'] }, 'workOn[0]'],
    ['prescribe', { ...file, active: ['juggling'] }, 'active[0]'],
    [
      'plan',
      { ...file, drills: ['juggling'], planning: { start: '2027-03-01', days: ['mon'] } },
      'drills[0]',
    ],
    ['gate', { reps: 'PPX', stage: 'half' }, 'reps'],
    ['change', { measure: 'nonsense', sessions: [] }, 'measure'],
    ['change', { measure: 'shift_top', question: 'year', sessions: [] }, 'question'],
    [
      'change',
      {
        measure: 'shift_top',
        question: 'season',
        sessions: [{ date: '2027-03-01', values: [1], sd: 1, cue: 'maybe' }],
      },
      'sessions[0].cue',
    ],
    ['simulate', { faults: { nonsense: 2 } }, 'faults.nonsense'],
  ])('%s: %#', (command, json, path) => {
    expect(problems(command, json).map((p) => p.path)).toContain(path);
  });
});

describe('docs/formats.md', () => {
  const text = readFileSync(new URL('../../docs/formats.md', import.meta.url), 'utf8');
  const all = [...text.matchAll(/```json (\w+)\n([\s\S]*?)```/g)].map(
    (m) => [m[1], m[2]] as [string, string],
  );
  const examples = all.filter(([name]) => name !== 'drills');
  test('has an example of every command', () => {
    expect([...new Set(examples.map(([name]) => name))]).toEqual(Object.keys(COMMANDS));
  });
  test('its file of drills is read, and every drill in it is fit', () => {
    const file = readDocument(drillsSchema, JSON.parse(all.find(([name]) => name === 'drills')?.[1] ?? ''));
    if (!file.ok) throw new Error(JSON.stringify(file.problems));
    expect(file.value.drills.flatMap(({ drill }) => checkDrill(toDrill(drill)))).toEqual([]);
  });
  test.each(examples)('the example of %s answers', (name, json) => {
    expect(problems(name, JSON.parse(json))).toEqual([]);
  });
});

describe('the program itself', () => {
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-cli-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const run = (args: string[], input = '') =>
    spawnSync('node', [new URL('../../dist/cli.js', import.meta.url).pathname, ...args], {
      input,
      encoding: 'utf8',
    });
  const gate = (reps: string) => JSON.stringify({ reps, stage: 'slow' });

  test('reads a file or standard input, answers on standard output', () => {
    const path = join(folder, 'gate.json');
    writeFileSync(path, gate('FFF'));
    expect(JSON.parse(run(['gate', path]).stdout)).toMatchObject({ decision: 'hold' });
    expect(JSON.parse(run(['gate', '-'], gate('P')).stdout)).toMatchObject({ decision: 'continue' });
  });
  test('--track and --shots put motion and shots beside the captures; an unknown word is refused', () => {
    const made = run(['simulate', '-', '--track', '--shots'], '{"seed":3}');
    expect(JSON.parse(made.stdout)).toMatchObject({
      swings: [{ track: expect.stringMatching(/^time_s/) }],
      shots: expect.stringMatching(/^shot,/),
    });
    const refused = run(['simulate', '-', '--sound'], '{}');
    expect([refused.status, refused.stdout]).toEqual([2, '']);
    expect(refused.stderr).toMatch(/--sound/);
  });
  test('exit 2 and one line on standard error for bad input, nothing on standard output', () => {
    for (const [args, input] of [
      [['gate', '-'], gate('PX')],
      [['gate', '-'], '{"reps":'],
      [['gate', join(folder, 'missing.json')], ''],
      [['juggle', '-'], '{}'],
      [[], ''],
    ] as const) {
      const { status, stdout, stderr } = run([...args], input);
      expect(status).toBe(2);
      expect(stdout).toBe('');
      expect(stderr.trim().split('\n')).toHaveLength(1);
    }
  });
  test('--lines: one answer a line, in order, and a bad line does not stop the stream', () => {
    const { stdout, status, stderr } = run(
      ['gate', '-', '--lines'],
      `${gate('P')}\nnot json\n\n${gate('FFF')}\n`,
    );
    const lines = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect(lines).toHaveLength(3);
    expect(lines[0]).toMatchObject({ decision: 'continue' });
    expect(lines[1].error).toMatch(/not JSON/);
    expect(lines[2]).toMatchObject({ decision: 'hold' });
    expect(status).toBe(2);
    expect(stderr).toMatch(/^line 2: /);
  });
});
