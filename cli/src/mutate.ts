import type { Random } from '@inchstep/core/foundation';
import { COMMANDS } from './commands.ts';

/** Values that lie in wait: too large, too small, of the wrong kind, or spelled to hurt. */
const ABSURD: readonly unknown[] = [
  1e100,
  -1e100,
  1e308,
  5e-324,
  2 ** 53,
  -(2 ** 31),
  1e-9,
  0,
  -0,
  -1,
  1e6,
  999999,
  0.5,
  null,
  true,
  '',
  'x',
  '9'.repeat(5000),
  '2027-02-31',
  '0000-01-01',
  '9999-12-31',
  '-1',
  '__proto__',
  '\u0000',
  '\uD800',
  [],
  {},
  [[[[]]]],
  { __proto__: null, length: 1e9 },
];

type Spot = readonly [holder: Record<string, unknown>, key: string];

function spotsOf(value: unknown, found: Spot[] = []): Spot[] {
  if (typeof value === 'object' && value !== null)
    for (const key of Object.keys(value)) {
      found.push([value as Record<string, unknown>, key]);
      spotsOf((value as Record<string, unknown>)[key], found);
    }
  return found;
}

/** A copy of a document with one to three of its places spoilt, the same for the same chance. */
export function mutated(document: unknown, random: Random): unknown {
  const copy: unknown = structuredClone(document);
  const times = 1 + Math.floor(random() * 3);
  for (let i = 0; i < times; i++) {
    const spots = spotsOf(copy);
    if (spots.length === 0) break;
    const [holder, key] = spots[Math.floor(random() * spots.length)] as Spot;
    const kind = random();
    const now = holder[key];
    if (kind < 0.1) delete holder[key];
    else if (kind < 0.6 && typeof now === 'number') holder[key] = now * 10 ** Math.floor(random() * 9 - 4);
    else if (kind < 0.65 && Array.isArray(now)) holder[key] = Array.from({ length: 40 }, () => now).flat();
    else if (kind < 0.68) holder[`${key}_2`] = now;
    else holder[key] = structuredClone(ABSURD[Math.floor(random() * ABSURD.length)]);
  }
  return copy;
}

/** One sound document for each command. */
export const SOUND: Readonly<Record<string, unknown>> = {
  gate: { reps: 'PPFPP?PPPP', stage: 'half' },
  change: {
    measure: 'shift_top',
    sessions: [
      { date: '2027-03-01', values: [1, 1.2, 0.9], sd: 0.2 },
      { date: '2027-03-05', values: [1.1, 1.3], sd: 0.2 },
      { date: '2027-03-09', values: [0.1, 0.2, 0.1], sd: 0.2 },
    ],
    family: 2,
  },
  simulate: {
    golfer: { handedness: 'left', heightIn: 66 },
    faults: { sway: 2 },
    seed: 7,
    views: [{ kind: 'face_on' }],
    swings: 1,
  },
  diagnose: caseOf(),
  prescribe: { ...caseOf(), workOn: ['sway'] },
  plan: {
    ...caseOf(),
    drills: ['knee_swap'],
    planning: {
      start: '2027-03-01',
      nextLesson: '2027-03-15',
      days: ['mon', 'wed', 'fri'],
      minutesPerDay: { mon: 20 },
      placeByDay: { fri: 'range' },
      done: [{ date: '2027-03-01', drill: 'knee_swap', stage: 'still', reps: 30, passes: 25 }],
      missed: ['2027-03-03'],
    },
  },
};

/** A sound document for a command; what is measured is made by the stand-in. */
export function soundFor(name: string): unknown {
  if (name !== 'measure') return SOUND[name];
  const made = COMMANDS.simulate?.({
    seed: 3,
    faults: { sway: 1 },
    views: [{ kind: 'face_on', sticks: true }],
  });
  if (!made?.ok) throw new Error('soundFor: no capture could be made');
  const { swings } = made.value as { swings: { capture: { marks: { station: string }[] } }[] };
  const whole = swings[0]?.capture as { marks: { station: string }[] };
  return { ...whole, marks: whole.marks.filter(({ station }) => station === 'address' || station === 'top') };
}

function caseOf() {
  return {
    format: 'inchstep.case/1',
    student: { heightIn: 70, ageYears: 40, aids: ['stick', 'phone'], limits: ['back'], minutesPerWeek: 90 },
    school: { preset: 'centre_and_turn', bands: { shift_top: { lo: 0, hi: 2 } } },
    club: 'mid_iron',
    measures: [
      { id: 'shift_top', value: -2.6, sd: 0.2 },
      { id: 'turn_top', value: 61, sd: 3 },
    ],
    findings: [{ id: 'obs.overswing', seen: 'present' }],
    active: ['knee_swap'],
    history: [{ drill: 'knee_swap', outcome: 'worked' }],
  };
}
