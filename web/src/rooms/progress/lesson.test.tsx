import type { LessonFile } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { LESSON } from '../../testing/lesson.ts';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { CoachSender } from '../practice/count/coachSets.tsx';
import { LessonScreen } from './LessonScreen.tsx';
import { LessonStrip, textOf } from './LessonStrip.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const student = {
  id: 's1',
  limits: [],
  school: {},
  profile: { firstName: 'Gus', familyName: 'Test', handedness: 'right', heightIn: 70, films: ['face_on'] },
};
const began = new Date(Date.now() - 20 * 60_000).toISOString();
const running = { ...LESSON, startedAt: began };
const note = {
  what: 'note' as const,
  id: 'n1',
  lessonId: 'l1',
  at: began,
  tag: 'said' as const,
  text: 'It goes round.',
  swingId: null,
  measure: null,
  felt: null,
};
const file = (more: LessonFile['moments'] = []): LessonFile => ({
  lesson: running,
  moments: [note, ...more],
});
const gate = {
  drill: 'knee_swap',
  stage: 'slow',
  finished: false,
  layer: 1,
  gate: { decision: 'continue', repsUsed: 0, tape: 0, notYets: 0, more: 8 },
  measures: [],
  held: [{ code: 'reps', tape: 0, more: 8 }],
  proposesDown: false,
  fullTest: null,
};
const brief = {
  studentId: 's1',
  name: 'Gus Test',
  nextLesson: null,
  focus: ['over_turn'],
  drills: ['knee_swap'],
  stage: 'slow',
  repsDone: 40,
  repsPlanned: 60,
  passRate: 0.8,
  missed: [],
  overdone: [],
  moved: [],
  owned: { owned: false, occasions: [] },
  limits: [],
  hold: false,
  lastWords: 'Better.',
  state: 'at_work',
};
const choice = {
  id: 'c1',
  drills: ['knee_swap'],
  forFault: 'over_turn',
  endedAt: null,
  layers: { knee_swap: 1 },
};

function show(answers: Readonly<Record<string, unknown>> = {}) {
  const log = fakeServer({
    [to(wire.care.me)]: ME,
    [to(wire.progress.listComing)]: { version: '1', students: 1, lessons: [] },
    [to(wire.intake.listLessons, { id: 's1' })]: { lessons: [LESSON], running: null },
    [to(wire.checkins.readLessonFile, { id: 's1', lessonId: 'l1' })]: file(),
    [to(wire.progress.readBrief, { id: 's1' })]: brief,
    [to(wire.capture.listSwings, { id: 's1' })]: [],
    [to(wire.measures.listReadings, { id: 's1' })]: [],
    [to(wire.practice.listGates, { id: 's1' })]: [gate],
    [to(wire.intake.readHold, { id: 's1' })]: null,
    [to(wire.prescription.listChoices, { id: 's1' })]: [choice],
    ...answers,
  });
  draw(
    <>
      <CoachSender />
      <LessonScreen />
    </>,
    { context: { student } },
  );
  return log;
}
const going = (more: Readonly<Record<string, unknown>> = {}) =>
  show({ [to(wire.intake.listLessons, { id: 's1' })]: { lessons: [running], running }, ...more });
const press = async (name: string | RegExp) => fireEvent.click(await screen.findByRole('button', { name }));
const posts = (log: ReturnType<typeof fakeServer>) =>
  log.filter(({ method }) => method === 'POST' || method === 'PUT');

describe('before the lesson', () => {
  test('why we are here, what was done, what to look at first; one press begins', async () => {
    const log = show({ [to(wire.intake.agreeLesson, { id: 's1' })]: running });
    expect(await screen.findByText(/40 of 60 planned repetitions/)).toBeTruthy();
    expect(screen.getByText(/Better\./)).toBeTruthy();
    await press('Start today’s 09:30 lesson');
    await waitFor(() => expect(posts(log)[0]?.body).toMatchObject({ begin: true, mode: 'in_person' }));
  });
  test('the lesson that was agreed for today is named on the key that begins it', async () => {
    const today = { ...LESSON, day: '2027-03-10', time: '15:00', startedAt: null };
    const log = show({
      [to(wire.intake.listLessons, { id: 's1' })]: { lessons: [today], running: null },
      [to(wire.intake.agreeLesson, { id: 's1' })]: running,
    });
    await press('Start today’s 15:00 lesson');
    await waitFor(() => expect(posts(log)[0]?.body).toMatchObject({ begin: true, mode: 'in_person' }));
    expect(screen.queryByRole('button', { name: 'Begin, in the bay' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Begin, by video call' })).toBeTruthy();
  });
  test('a lesson is agreed, with who else is there at that time', async () => {
    const other = { ...brief, studentId: 's2', name: 'Piet', moved: null, running: false };
    const log = show({
      [to(wire.progress.listComing)]: {
        version: '1',
        students: 2,
        lessons: [{ ...other, lesson: { ...LESSON, id: 'l2', day: '2099-03-12', time: '10:00' } }],
      },
      [to(wire.intake.agreeLesson, { id: 's1' })]: LESSON,
    });
    fireEvent.change(await screen.findByLabelText('Day'), { target: { value: '2099-03-12' } });
    fireEvent.change(screen.getByLabelText('Time'), { target: { value: '10:30' } });
    expect(await screen.findByText('At that time you are with Piet (10:00).')).toBeTruthy();
    fireEvent.submit(
      (await screen.findByRole('button', { name: 'Agree it' })).closest('form') as HTMLFormElement,
    );
    await waitFor(() =>
      expect(posts(log)[0]?.body).toMatchObject({ day: '2099-03-12', time: '10:30', minutes: 60 }),
    );
  });
});

describe('in the lesson', () => {
  test('a note is kept at a press, with its kind; an empty one asks for its words', async () => {
    const log = going({ [to(wire.practice.addNote, { id: 's1', lessonId: 'l1' })]: { ...note, id: 'n2' } });
    await press('Try next');
    expect(posts(log)).toEqual([]);
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'half swings' } });
    await press('Try next');
    await waitFor(() => expect(posts(log)[0]?.body).toMatchObject({ tag: 'try_next', text: 'half swings' }));
    await waitFor(() => expect((screen.getByLabelText('Note') as HTMLInputElement).value).toBe(''));
  });
  test('the felt answer is kept before anything measured is shown', async () => {
    const log = going({ [to(wire.practice.addNote, { id: 's1', lessonId: 'l1' })]: { ...note, id: 'n2' } });
    await press('Felt');
    expect(await screen.findByText('What did it feel like?')).toBeTruthy();
    expect(screen.queryByText(/measured/)).toBeNull();
    await press('It stayed still');
    await waitFor(() => expect(posts(log)[0]?.body).toMatchObject({ tag: 'felt', felt: 0 }));
    expect(await screen.findByText(/Nothing of today is measured yet/)).toBeTruthy();
  });
  test('counting goes by keys, and a set is sent once, also when the line breaks', async () => {
    let fails = true;
    const log = going({
      [to(wire.practice.logSet, { id: 's1' })]: () => {
        if (fails) throw new TypeError('failed to fetch');
        return {};
      },
    });
    await press('Count');
    await screen.findByText('Repetition 1 of 10');
    for (const key of ['p', 'p', 'f']) fireEvent.keyDown(document.body, { key, code: key });
    await press('Log this set');
    expect(await screen.findByText('One set waits for a signal.')).toBeTruthy();
    fails = false;
    fireEvent(window, new Event('online'));
    await waitFor(() => expect(screen.queryByText('One set waits for a signal.')).toBeNull());
    const ids = posts(log).map(({ body }) => (body as { id: string }).id);
    expect(new Set(ids).size).toBe(1);
    expect(posts(log).at(-1)?.body).toMatchObject({ reps: 'PPF', stage: 'slow', drill: 'knee_swap' });
  });
  test('pain beside the ball: where is asked, and the drills are held', async () => {
    const log = going({ [to(wire.intake.stopForPain, { id: 's1' })]: {} });
    await press('Count');
    await press('It hurts: stop');
    fireEvent.change(await screen.findByLabelText('Where does it hurt?'), { target: { value: 'knee' } });
    await press('Pause the drills');
    await waitFor(() => expect(posts(log)[0]?.body).toMatchObject({ where: 'knee' }));
  });
  test('root and drill are decided in one press each, with the reason that was typed', async () => {
    const diagnosis = {
      id: 'd1',
      at: began,
      swingId: null,
      wholeDay: false,
      findings: [],
      setAside: [],
      result: { roots: [{ fault: 'over_turn', probability: 0.82 }] },
      chosen: { workOn: ['over_turn'], note: '' },
    };
    const drills = [{ id: 'knee_swap' }, { id: 'knee_gate' }];
    const result = { drills, alternatives: [], beside: ['kiss_the_post'], rejected: [] };
    const log = going({
      [to(wire.diagnosis.listDiagnoses, { id: 's1' })]: [diagnosis],
      [to(wire.prescription.prescribe, { id: 'd1' })]: { diagnosisId: 'd1', workOn: ['over_turn'], result },
      [to(wire.diagnosis.chooseWork, { id: 'd1' })]: diagnosis,
      [to(wire.prescription.chooseDrills)]: {},
    });
    await press('Decide');
    fireEvent.change(await screen.findByLabelText('Why, if it is to be kept'), {
      target: { value: 'seen live' },
    });
    expect(await screen.findByText(/82 %/)).toBeTruthy();
    await press('Is worked on');
    await waitFor(() => expect(posts(log)[0]?.body).toEqual({ workOn: ['over_turn'], note: 'seen live' }));
    // What is in use already is not taken again.
    expect((await screen.findByRole('button', { name: 'In use' })).hasAttribute('disabled')).toBe(true);
    await press('Take into use');
    await waitFor(() =>
      expect(posts(log)[1]?.body).toMatchObject({
        drills: ['kiss_the_post', 'knee_gate'],
        note: 'seen live',
      }),
    );
  });
  test('after: the draft is changed and sent with what was drafted', async () => {
    const log = going({
      [to(wire.checkins.draftSummary, { id: 's1', lessonId: 'l1', query: { units: 'in' } })]: {
        text: 'Gus, this is what we did.',
      },
      [to(wire.checkins.sendSummary, { id: 's1', lessonId: 'l1' })]: { ...running, summary: 'x' },
    });
    await press('After');
    const letter = await screen.findByLabelText('Summary');
    fireEvent.change(letter, { target: { value: 'Gus, well done.' } });
    await press('Send, and end the lesson');
    await waitFor(() =>
      expect(posts(log)[0]?.body).toMatchObject({
        text: 'Gus, well done.',
        draft: 'Gus, this is what we did.',
      }),
    );
  });
});

describe('the strip', () => {
  test('says every moment in words, in order', () => {
    const set = {
      what: 'set' as const,
      id: 'a',
      at: began,
      drill: 'knee_swap',
      stage: 'slow' as const,
      reps: 'PPF?',
    };
    fakeServer({ [to(wire.care.me)]: ME });
    draw(<LessonStrip file={file([set])} minutes={20} />);
    const list = within(screen.getByRole('list')).getAllByRole('listitem');
    expect(list.map((item) => item.textContent)).toEqual(['Said: It goes round.', 'Knee swap, slow: 2 / 4']);
    expect(textOf(set, () => 'Mine')).toBe('Mine, slow: 2 / 4');
  });
});
