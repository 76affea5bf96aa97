import { LANDMARKS, STATIONS } from '@inchstep/core/capture';
import { QUEUE_REASONS } from '@inchstep/core/checkins';
import { BLOCKERS, FAULTS, FINDING_IDS, PHASES } from '@inchstep/core/diagnosis';
import { WEEKDAYS } from '@inchstep/core/foundation';
import { AIDS, BAND_ROWS, CLUBS, LIMITS, PLACES, VIEW_KINDS } from '@inchstep/core/intake';
import { STAGES } from '@inchstep/core/practice';
import { DRILLS } from '@inchstep/core/prescription';
import { describe, expect, test } from '@jest/globals';
import * as words from './index.ts';

const TABLES: readonly [name: string, ids: readonly string[], table: Readonly<Record<string, unknown>>][] = [
  ['fault', FAULTS.map((f) => f.id), words.FAULT_WORDS],
  ['measure', BAND_ROWS.map((r) => r.id), words.MEASURE_WORDS],
  ['drill', DRILLS.map((d) => d.id), words.DRILL_WORDS],
  ['course seed', DRILLS.filter((d) => d.habits.courseForm).map((d) => d.id), words.COURSE_SEEDS],
  ['set-up distance', [...new Set(DRILLS.flatMap((d) => d.setup.map((s) => s.id)))], words.SETUP_WORDS],
  ['station', STATIONS, words.STATION_WORDS],
  ['landmark', LANDMARKS, words.LANDMARK_WORDS],
  ['stage', STAGES, words.STAGE_WORDS],
  ['aid', AIDS, words.AID_WORDS],
  ['place', PLACES, words.PLACE_WORDS],
  ['limit', LIMITS, words.LIMIT_WORDS],
  ['club', CLUBS, words.CLUB_WORDS],
  ['view', VIEW_KINDS, words.VIEW_WORDS],
  ['weekday', WEEKDAYS, words.WEEKDAY_WORDS],
  ['phase', PHASES, words.PHASE_WORDS],
  ['blocker', BLOCKERS.map((b) => b.id), words.BLOCKER_WORDS],
  ['look', FINDING_IDS.filter((id) => id.startsWith('obs.') || id.startsWith('ball.')), words.FINDING_WORDS],
];

describe('every id has its words, and no words are left over', () => {
  test.each(TABLES)('%s', (_, ids, table) => {
    expect(ids.length).toBeGreaterThan(0);
    for (const id of ids) expect(table[id]).toBeDefined();
  });
  test.each(TABLES.slice(0, 4))('no %s that is gone', (_, ids, table) => {
    expect(Object.keys(table).filter((id) => !ids.includes(id))).toEqual([]);
  });
});

test('no two findings read alike', () => {
  const names = FINDING_IDS.map(words.findingName);
  expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
});

describe('drill texts', () => {
  test.each(DRILLS.map((d) => d.id))('%s is complete', (id) => {
    const text = words.DRILL_WORDS[id];
    expect(text?.steps.length).toBeGreaterThanOrEqual(2);
    for (const part of [text?.name, text?.purpose, text?.cue, text?.counts, text?.fake, text?.tooMuch])
      expect(part?.length).toBeGreaterThan(3);
    expect(text?.cue.length).toBeLessThan(60);
  });
  test('no two drills share a name or a cue', () => {
    const all = Object.values(words.DRILL_WORDS);
    expect(new Set(all.map((t) => t.name)).size).toBe(all.length);
    expect(new Set(all.map((t) => t.cue)).size).toBe(all.length);
  });
});

test('plain words: no exclamation, no left or right in what a core id says', () => {
  const texts = JSON.stringify([
    words.DRILL_WORDS,
    words.FAULT_WORDS,
    words.MEASURE_WORDS,
    words.STAGE_WORDS,
  ]);
  expect(texts).not.toMatch(/!/);
  expect(texts).not.toMatch(/\b(left|right)-?(hand|foot|knee|hip|side)/i);
  expect(QUEUE_REASONS[0]).toBe('pain');
});

describe('a problem’s sentence', () => {
  test('fills in what was wrong and says what to do', () => {
    const text = words.problemText({ code: 'clip_too_large', detail: { limitMb: 300 } });
    expect(text).toContain('300 MB');
    expect(text).not.toMatch(/[{}]/);
  });
  test('an unknown code falls back to something that can be read', () => {
    expect(words.problemText({ code: 'never_heard_of', detail: {} }).length).toBeGreaterThan(20);
  });
});

describe('the drafted reply', () => {
  const facts = {
    pain: false,
    better: [
      {
        id: 'turn_top',
        unit: 'deg',
        before: 68,
        after: 54,
        verdict: 'real' as const,
        changed: 0.98,
        direction: 'better' as const,
      },
    ],
    worse: [],
    atEdge: [],
    film: 'measured' as const,
    felt: null,
    practised: { repsDone: 40, byCoach: 0, repsPlanned: 80, passRate: 0.75, since: '2027-03-01' },
    key: {
      drill: 'knee_swap',
      stage: 'half' as const,
      speedPct: 55,
      layer: 1,
      layers: 2,
      day: { sets: 8, reps: 16, balls: 8 },
    },
    gate: 'continue' as const,
    leave: ['over_turn'],
    sendNext: {
      kinds: ['face_on' as const],
      swings: 3,
      dueOn: '2027-03-08',
      drill: null,
      stage: null,
      club: null,
      aid: null,
      why: '',
    },
  };
  test('better first, then the key piece, what to leave, what to send', () => {
    const text = words.draftReply(facts, 'Priya');
    const order = ['68° then, 54° now', '40 of 80', 'Knee swap', 'Leave alone', '3 swings, face-on'];
    const places = order.map((part) => text.indexOf(part));
    expect(places).not.toContain(-1);
    expect([...places].sort((a, b) => a - b)).toEqual(places);
  });
  test('what went the other way and what is at its edge stand before what was done; the numbers of a session behind the key', () => {
    const worse = [
      { ...facts.better[0], id: 'shift_top', unit: 'in', before: 0.2, after: 1.4, verdict: 'maybe' },
    ];
    const text = words.draftReply(
      { ...facts, worse, atEdge: ['sway_top'] } as unknown as typeof facts,
      'Priya',
    );
    expect(text).toMatch(/has probably gone the other way: 0\.2 in then, 1\.4 in now/);
    expect(text).toContain('is at its edge');
    expect(text.indexOf('at its edge')).toBeLessThan(text.indexOf('40 of 80'));
    expect(text).toContain('A session is 8 sets: 16 rehearsals and 8 balls.');
    expect(text).toContain(words.DRILL_WORDS.knee_swap?.layers[0]?.toLowerCase());
  });
  test.each([
    ['none', /No clip came/],
    ['waits', /being measured/],
    ['measured', /Nothing has clearly changed yet/],
    ['unseen', /film your whole body/],
  ])('nothing moved, clips: %s, it says so', (film, said) => {
    const text = words.draftReply({ ...facts, better: [], film } as unknown as typeof facts, 'Priya');
    expect(text).toMatch(said);
  });
  test('a plan laid anew has asked for nothing yet, and is not held against the student', () => {
    const practised = { repsDone: 4, byCoach: 0, repsPlanned: 0, passRate: null, since: '2027-03-01' };
    expect(words.draftReply({ ...facts, practised }, 'Priya')).toContain('You logged 4 repetitions.');
  });
  test('in the coach’s units: inches become centimetres, degrees stay', () => {
    const inches = { ...facts.better[0], id: 'shift_top', unit: 'in', before: -2, after: -1 };
    const text = words.draftReply(
      { ...facts, better: [...facts.better, inches] } as typeof facts,
      'Priya',
      undefined,
      'cm',
    );
    expect(text).toContain('68° then, 54° now');
    expect(text).toContain('-5.1 cm then, -2.5 cm now');
    const entry = {
      finding: 'shift_top.low',
      weight: 2,
      source: 'measure',
      measure: {
        id: 'shift_top',
        value: -2,
        sd: 0.25,
        severity: 1.6,
        band: { lo: -0.7, hi: 0.8, unit: 'in' },
      },
    };
    expect(words.weighedText(entry, 'cm')).toBe(
      'Shift at the top -5.1 cm, give or take 1.2 cm; the band is -1.8 cm to 2.0 cm.',
    );
    expect(words.weighedText(entry)).toContain('-2.0 in, give or take 0.5 in');
  });
  test.each<[string, object | null, string | null]>([
    [
      'a number',
      { felt: 2, measured: { value: 3.2, sd: 0.25 } },
      'You felt 2.0 in; Shift at the top was 3.2 in, give or take 0.5 in.',
    ],
    [
      'nothing felt',
      { felt: 0, measured: { value: 3.2, sd: 0.25 } },
      'You felt nothing move there; Shift at the top was 3.2 in',
    ],
    ['not measured yet', { felt: 2, measured: null }, null],
    ['nobody said', null, null],
  ])('felt beside measured: %s', (_, given, said) => {
    const felt = given && { measure: 'shift_top', unit: 'in', ...given };
    const text = words.draftReply({ ...facts, felt } as unknown as typeof facts, 'Priya');
    if (said === null) expect(text).not.toContain('You felt');
    else expect(text).toContain(said);
  });
  test('pain pushes everything else aside', () => {
    const text = words.draftReply({ ...facts, pain: true }, 'Priya');
    expect(text).toContain('doctor');
    expect(text).not.toContain('Knee swap');
  });
});

describe('what the club in the hands asks', () => {
  const inches = (value: number) => `${value.toFixed(1)} in`;
  const bump = { id: 'bump', byClub: [{ club: 'wedge', loIn: 0.5, hiIn: 0.5 }] } as const;
  const away = { id: 'breastbone_away', byClub: [{ club: 'wedge', loIn: 0, hiIn: 0 }] } as const;
  const forward = {
    id: 'shift_forward',
    byClub: [
      { club: 'wedge', loIn: 2, hiIn: 3 },
      { club: 'driver', loIn: 3, hiIn: 5 },
    ],
  } as const;
  test('is one line for that club alone; what it does not ask is left out', () => {
    expect(words.amountsWithClub([bump, away, forward], 'wedge', inches)).toBe(
      'pelvis toward the target 0.5 in; pelvis forward, half-way down 2.0 in to 3.0 in',
    );
    expect(words.amountsWithClub([bump, forward], 'driver', inches)).toBe(
      'pelvis forward, half-way down 3.0 in to 5.0 in',
    );
  });
  test('without a club, or where nothing depends on it, nothing is said', () => {
    expect(words.amountsWithClub([forward], null, inches)).toBeNull();
    expect(words.amountsWithClub([], 'wedge', inches)).toBeNull();
    expect(words.amountsWithClub([away], 'wedge', inches)).toBeNull();
  });
});
