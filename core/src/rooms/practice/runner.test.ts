import { describe, expect, test } from '@jest/globals';
import { type Random, seededRandom } from '../../foundation/index.ts';
import type { Rep } from './gate.ts';
import {
  beginRun,
  countOfRun,
  freeRun,
  layerHolds,
  type RunAction,
  type RunSpec,
  type RunState,
  run,
  secondsPerRep,
  stepOfRun,
} from './runner.ts';

const START = '2027-03-01T10:00:00.000Z';
const at = (seconds: number) => new Date(Date.parse(START) + seconds * 1000).toISOString();
const dry: RunSpec = { ...freeRun('knee_swap', 'slow', 1), sets: 2, lookEvery: 1 };
const plain: RunSpec = { ...dry, lookEvery: null };
const balls: RunSpec = {
  ...freeRun('knee_swap', 'full', 1),
  sets: 4,
  lookEvery: 2,
  clubs: ['wedge', 'mid_iron', 'driver'],
};

let made = 0;
const judged = (rep: Rep, seconds = 0): RunAction => ({
  do: 'judge',
  rep,
  id: `set ${made++}`,
  at: at(seconds),
});
const through = (spec: RunSpec, letters: string, from = beginRun(spec, START)): RunState =>
  [...letters].reduce(
    (state, letter, i) =>
      run(state, letter === 'L' ? { do: 'looked', swingId: null } : judged(letter as Rep, i * 6)),
    from,
  );

test('how it felt belongs to one set: the next one is not answered, and a set that is taken back has its answer again', () => {
  const felt = run(through(plain, 'PPPPPPPPP'), { do: 'felt', felt: 7 });
  const over = run(felt, judged('P', 60));
  expect([over.sets[0]?.felt, over.felt]).toEqual([7, null]);
  expect(run(over, { do: 'take_back' })).toMatchObject({ felt: 7, reps: 'PPPPPPPPP', sets: [] });
  expect(through(plain, 'PPPPPPPPPP', over).sets[1]?.felt).toBeNull();
});

describe('two rehearsals, one ball, look', () => {
  test.each<[string, string, object]>([
    [
      'begins with a rehearsal',
      '',
      { kind: 'rehearse', set: 1, rep: 1, ofSet: 3, club: 'wedge', aidOn: true },
    ],
    ['a second one', 'P', { kind: 'rehearse', rep: 2 }],
    ['then the ball', 'PP', { kind: 'ball', rep: 3, club: 'wedge' }],
    ['the next club, without the aid', 'PPP', { kind: 'rehearse', set: 2, club: 'mid_iron', aidOn: false }],
    ['a look after two sets', 'PPPPPP', { kind: 'look', set: 3 }],
    ['which is no repetition', 'PPPPPPL', { kind: 'rehearse', set: 3, rep: 1, club: 'driver', aidOn: true }],
    ['the last club goes on', 'PPPPPPLPPP', { set: 4, club: 'driver' }],
    ['a last look', 'PPPPPPLPPPPPP', { kind: 'look' }],
    ['and it is done', 'PPPPPPLPPPPPPL', { kind: 'done' }],
  ])('%s', (_, letters, step) => {
    expect(stepOfRun(through(balls, letters))).toMatchObject(step);
  });
  test('a press that makes no sense changes nothing', () => {
    const due = through(balls, 'PPPPPP');
    expect(run(due, judged('P'))).toBe(due);
    const begun = through(balls, 'P');
    expect(run(begun, { do: 'looked', swingId: 'a' })).toBe(begun);
    const done = through(balls, 'PPPPPPLPPPPPPL');
    expect(run(done, judged('F'))).toBe(done);
    expect(stepOfRun(run(done, { do: 'more' }))).toMatchObject({ kind: 'rehearse', set: 5 });
  });
  test('dry sets are of ten', () => {
    expect(stepOfRun(through(dry, 'PPPPPPPPP'))).toMatchObject({ kind: 'rehearse', rep: 10, ofSet: 10 });
    expect(through(dry, 'PPPPPFFFF?').sets).toMatchObject([{ reps: 'PPPPPFFFF?', layer: 1 }]);
  });
  test('a look takes the swing that was filmed, once', () => {
    const due = through(dry, 'PPPPPPPPPP');
    expect(run(due, { do: 'looked', swingId: 'swing' })).toMatchObject({ looks: 1, swings: ['swing'] });
  });
});

describe('nothing is lost and nothing doubled', () => {
  test('the last press is taken back, also over the end of a set, until the set was handed on', () => {
    const over = through(balls, 'PPF');
    expect(run(over, { do: 'take_back' })).toMatchObject({ reps: 'PP', sets: [] });
    const [set] = over.sets;
    const sent = run(over, { do: 'sent', id: set?.id ?? '' });
    expect(run(sent, { do: 'take_back' })).toBe(sent);
    const looked = through(balls, 'PPPPPFL');
    expect(run(looked, { do: 'take_back' })).toMatchObject({ reps: 'PP', looks: 0 });
  });
  test('the same id closes no second set', () => {
    const one = run(through(plain, 'PP'), { do: 'close', id: 'a', at: at(9) });
    const two = run(through(plain, 'PP', one), { do: 'close', id: 'a', at: at(12) });
    expect(two.sets).toHaveLength(1);
    expect(two.reps).toBe('PP');
  });
  test('written down and read again, it goes on at the same repetition', () => {
    const half = through(balls, 'PPPP');
    const again = JSON.parse(JSON.stringify(half)) as RunState;
    expect(stepOfRun(again)).toEqual(stepOfRun(half));
    expect(again).toEqual(half);
  });
  test('pain stops it on every step, keeps what was done, and a slip goes on', () => {
    for (const letters of ['', 'P', 'PP', 'PPPPPP', 'PPPPPPLPPPPPPL']) {
      const before = through(balls, letters);
      const stopped = run(before, { do: 'pain', id: 'hurt', at: at(1) });
      expect(stepOfRun(stopped).kind).toBe('stopped');
      expect(countOfRun(stopped)).toEqual(countOfRun(before));
      expect(run(stopped, judged('P'))).toBe(stopped);
      expect(run(stopped, { do: 'take_back' })).toBe(stopped);
      expect(stepOfRun(run(stopped, { do: 'no_pain' })).kind).not.toBe('stopped');
    }
  });
  test('a new checkpoint begins a set of its own', () => {
    const two = run(through(plain, 'PPP'), { do: 'layer', layer: 2, id: 'a', at: at(9) });
    expect(two).toMatchObject({ reps: '', sets: [{ reps: 'PPP', layer: 1 }], spec: { layer: 2 } });
    expect(layerHolds(through(plain, 'PPPP', two))).toBe(false);
    expect(layerHolds(through(plain, 'PPPPPPP', two))).toBe(true);
  });
});

test('the pace is what it was until now', () => {
  expect(secondsPerRep(beginRun(dry, START), at(30))).toBeNull();
  expect(secondsPerRep(through(dry, 'PPPPP'), at(30))).toBe(6);
});

describe('whatever is pressed', () => {
  const press = (random: Random): RunAction => {
    const id = `id ${made++}`;
    const kinds: RunAction[] = [
      { do: 'judge', rep: 'P', id, at: at(1) },
      { do: 'judge', rep: 'F', id, at: at(1) },
      { do: 'judge', rep: '?', id, at: at(1) },
      { do: 'looked', swingId: null },
      { do: 'take_back' },
      { do: 'close', id, at: at(1) },
      { do: 'pain', id, at: at(1) },
      { do: 'no_pain' },
    ];
    return kinds[Math.floor(random() * kinds.length)] as RunAction;
  };
  test('sets keep their size, ids are never two, and handed-on sets never change', () => {
    const random = seededRandom(9113);
    for (let round = 0; round < 200; round++) {
      let state = beginRun(round % 2 ? balls : dry, START);
      let handedOn: string[] = [];
      for (let i = 0; i < 60; i++) {
        state = run(state, press(random));
        if (random() < 0.2) for (const { id } of state.sets) state = run(state, { do: 'sent', id });
        const sent = state.sets.filter((set) => set.sent).map(({ id, reps }) => `${id} ${reps}`);
        expect(sent.slice(0, handedOn.length)).toEqual(handedOn);
        handedOn = sent;
        const most = state.spec.ball ? 3 : 10;
        expect(state.sets.every(({ reps }) => reps.length >= 1 && reps.length <= most)).toBe(true);
        expect(new Set(state.sets.map(({ id }) => id)).size).toBe(state.sets.length);
        expect(state.reps.length).toBeLessThan(most);
      }
    }
  });
});
