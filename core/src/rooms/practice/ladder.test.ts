import { describe, expect, test } from '@jest/globals';
import { plusDays } from '../../foundation/index.ts';
import { climb, type LadderEvent, opensByCount, rungsOf, stagesAlong } from './ladder.ts';
import { STAGES, type Stage } from './stages.ts';

const DAY = '2027-03-01';
const SEVEN = 'PPPPPPP';
const set = (stage: Stage, reps = SEVEN, day = 0, layer = 1): LadderEvent => ({
  kind: 'set',
  date: plusDays(DAY, day),
  stage,
  reps,
  layer,
});
const word = (stage: Stage, decision: 'advance' | 'hold' | 'back', day = 0): LadderEvent => ({
  kind: 'word',
  date: plusDays(DAY, day),
  stage,
  decision,
});
const coached = { rungs: STAGES, opensAlone: opensByCount, layers: 1 };
const alone = { rungs: STAGES, opensAlone: () => true, layers: 1 };
const toFull = (['still', 'slow', 'half', 'three_quarter'] as const).map((stage) => word(stage, 'advance'));

describe('what moves a drill', () => {
  test.each<[string, LadderEvent[], Stage]>([
    ['nothing', [], 'still'],
    ['seven passes open still', [set('still')], 'slow'],
    ['and slow', [set('still'), set('slow')], 'half'],
    ['half waits for the coach', [set('still'), set('slow'), set('half')], 'half'],
    ['who goes on', [set('still'), set('slow'), set('half'), word('half', 'advance')], 'three_quarter'],
    ['or back', [set('still'), set('slow'), word('half', 'back')], 'slow'],
    ['sets of another rung are practice and no evidence', [set('slow'), set('half')], 'still'],
    ['two “not yet” on slow lead down', [set('still'), set('slow', 'FFFFFF')], 'still'],
    ['never below the first', [set('still', 'FFFFFFFFF')], 'still'],
  ])('%s', (_, events, stage) => {
    expect(climb(events, coached).stage).toBe(stage);
  });
  test('the count alone opens the ball rungs where nobody films, and says that nobody has looked', () => {
    expect(climb([set('still'), set('slow'), set('half')], alone)).toMatchObject({
      stage: 'three_quarter',
      unseen: ['half'],
    });
  });
  test('two “not yet” on a ball rung propose a rung down; “stay” begins the count anew', () => {
    const events = [...toFull, set('full', 'FFFFFFPP')];
    expect(climb(events, coached)).toMatchObject({ stage: 'full', proposesDown: true });
    expect(climb([...events, word('full', 'hold', 1)], coached)).toMatchObject({
      proposesDown: false,
      test: { notYets: 0, repsUsed: 0 },
    });
  });
  test('the rung before and after each event', () => {
    expect(stagesAlong([set('still'), set('slow'), word('half', 'back')], coached)).toEqual([
      'still',
      'slow',
      'half',
      'slow',
    ]);
  });
});

describe('when the ladder is behind', () => {
  const done = [...toFull, word('full', 'advance'), word('clubs', 'advance')];
  const short = { ...alone, rungs: rungsOf(false) };
  test('without a course form it ends at the clubs; a word more changes nothing', () => {
    expect(climb(done, short)).toMatchObject({ finished: true, since: DAY });
    expect(climb([...done, word('clubs', 'advance', 9)], short).since).toBe(DAY);
  });
  test('cold swings at full speed show that it lasts', () => {
    expect(climb([...done, set('full', SEVEN, 7)], short)).toMatchObject({ finished: true, lasts: true });
  });
  test('or bring the rung back; where the coach decides, it is proposed', () => {
    const failed = [...done, set('full', 'FFF', 7)];
    expect(climb(failed, short)).toMatchObject({ finished: false, stage: 'full' });
    expect(climb(failed, { ...coached, rungs: rungsOf(false) })).toMatchObject({
      finished: true,
      proposesDown: true,
    });
  });
});

describe('a test at full speed, seen by the coach', () => {
  const witnessed = [set('still'), word('full', 'advance', 1)];
  test('takes the rungs below as passed', () => {
    expect(climb(witnessed, coached)).toMatchObject({ stage: 'clubs', witnessedOn: '2027-03-02' });
  });
  test('that holds a week later stands; one that does not gives the ladder back where it last held', () => {
    expect(climb([...witnessed, set('full', SEVEN, 8)], coached)).toMatchObject({
      stage: 'clubs',
      witnessedOn: null,
    });
    expect(climb([...witnessed, set('full', 'FFFP', 8)], coached).stage).toBe('slow');
  });
});

describe('the test at full speed while it is taken', () => {
  test('is counted apart from the rung, through several sets, and is no evidence for the rung', () => {
    expect(climb([set('still', 'PP')], coached).fullTest).toBeNull();
    const begun = climb([set('still', 'PP'), set('full', 'PPP'), set('full', 'PP')], coached);
    expect(begun).toMatchObject({ stage: 'still', test: { repsUsed: 2 }, fullTest: { repsUsed: 5 } });
  });
  test('waits for the coach, whose word on the rung or on the test ends it', () => {
    const passed = climb([set('full')], coached);
    expect(passed).toMatchObject({ stage: 'still', fullTest: { decision: 'advance' }, witnessedOn: null });
    expect(climb([set('full'), word('still', 'hold')], coached).fullTest).toBeNull();
    expect(climb([set('full'), word('full', 'advance')], coached)).toMatchObject({
      stage: 'clubs',
      fullTest: null,
    });
  });
  test('where nobody films, pace fast takes it as its own witness that nobody has looked at; the ladder does not', () => {
    expect(climb([set('slow'), set('full')], alone).stage).toBe('still');
    const fast = climb([set('still'), set('full')], { ...alone, fast: true });
    expect(fast).toMatchObject({ stage: 'clubs', witnessedOn: DAY, unseen: ['full'] });
    const lost = [set('still'), set('full'), set('full', 'FFFP', 7)];
    expect(climb(lost, { ...alone, fast: true }).stage).toBe('slow');
    expect(climb([set('still'), set('full')], { ...coached, fast: true }).stage).toBe('slow');
  });
  test('that failed twice says so and moves nothing', () => {
    expect(climb([set('slow', 'P'), set('full', 'FFFFFF')], { ...alone, fast: true })).toMatchObject({
      stage: 'still',
      proposesDown: false,
      fullTest: { decision: 'continue', notYets: 2 },
    });
  });
});

describe('checkpoints', () => {
  const three = { ...coached, layers: 3 };
  test('the next opens when the present one holds, and a week after the last new thing', () => {
    expect(climb([set('still', SEVEN, 0)], three).layer).toBe(1);
    expect(climb([set('still', SEVEN, 0), set('slow', 'P', 7)], three).layer).toBe(2);
    // The count of the new one begins anew.
    expect(climb([set('still', SEVEN, 0), set('slow', 'P', 7), set('slow', SEVEN, 15)], three).layer).toBe(2);
    const third = [set('still', SEVEN, 0), set('slow', 'P', 7), set('slow', SEVEN, 15, 2)];
    expect(climb(third, three).layer).toBe(3);
  });
  test('the coach opens one before it holds, or goes back; its count starts over', () => {
    const opens = (layer: number, plus: number) => ({
      kind: 'checkpoint' as const,
      date: plusDays(DAY, plus),
      layer,
    });
    expect(climb([opens(2, 0)], three).layer).toBe(2);
    expect(climb([opens(9, 0)], three).layer).toBe(3);
    // The count alone had opened the second.
    const second = [set('still', SEVEN, 0), set('slow', 'P', 7)];
    expect(climb([...second, opens(1, 8)], three).layer).toBe(1);
    expect(climb([...second, opens(1, 8), set('slow', 'PPPP', 9)], three).layer).toBe(1);
    expect(climb([...second, opens(1, 8), set('slow', SEVEN, 20)], three).layer).toBe(2);
    // A new piece: the third waits a week, however well the second goes.
    expect(climb([opens(2, 0), set('still', SEVEN, 1, 2)], three).layer).toBe(2);
    expect(climb([opens(2, 0), set('still', SEVEN, 8, 2)], three).layer).toBe(3);
  });
});
