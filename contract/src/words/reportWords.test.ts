import type { Report, ReportMeasure } from '@inchstep/core/progress';
import { describe, expect, test } from '@jest/globals';
import { HOUSE_WORDS } from './libraryWords.ts';
import { reportPage } from './reportWords.ts';

const MEASURE: ReportMeasure = {
  measure: 'shift_top',
  band: { lo: -0.8, hi: 0.8, step: 0.8, unit: 'in' } as ReportMeasure['band'],
  look: {
    date: '2027-04-01',
    verdict: 'real',
    probability: 0.97,
    changed: 0.97,
    delta: 2,
    lo95: 1.2,
    hi95: 2.7,
  },
  direction: 'better',
  before: -2.4,
  now: -0.4,
  half95: 0.5,
  since: '2027-03-01',
  inBand: 0.7,
  when: { likely: '2027-05-01', lo80: '2027-04-20', hi80: '2027-06-01' },
  next: { speed: 'full', aid: 'off', club: 'driver', place: 'course' },
  kept: [{ upToDays: 8, share: 0.8, sd: 0.1, gaps: 2 }],
  felt: { per: 2, lo95: 1.4, hi95: 2.6, records: 4, nothingFelt: 0 },
};
const REPORT: Report = {
  for: 'student',
  day: '2027-04-10',
  firstName: 'Ana',
  name: 'Ana Ruiz',
  hold: false,
  work: { fault: 'sway', since: '2027-03-01', drills: [{ drill: 'knee_swap', stage: 'half' }] },
  practised: { repsDone: 320, byCoach: 0, repsPlanned: 400, passRate: 0.8, since: '2027-03-01' },
  measures: [MEASURE],
  owned: false,
  nextLesson: '2027-04-14',
  handover: null,
};
const HANDOVER: Report['handover'] = {
  limits: ['knee'],
  past: [{ fault: 'sway', drills: [{ drill: 'knee_swap', reached: 'half' }], from: '2027-03-01', to: null }],
  leave: ['hang_back'],
  lastWords: 'It clicks.',
};
const text = (more: Partial<Report> = {}, units: 'in' | 'cm' = 'in') => {
  const page = reportPage({ ...REPORT, ...more }, HOUSE_WORDS, units);
  return [page.title, ...page.sections.flatMap(({ heading, lines }) => [heading, ...lines])].join('\n');
};
const withLook = (verdict: ReportMeasure['look']['verdict']) => ({
  measures: [{ ...MEASURE, look: { ...MEASURE.look, verdict } }],
});

describe('a report in words', () => {
  test('speaks to the student, and of him to a parent', () => {
    expect(text()).toMatch(
      /Where you stand[\s\S]*You have logged 320 of 400 planned repetitions since .*1 Mar.*; 80 in 100/,
    );
    expect(text({ for: 'parent' })).toMatch(/Where Ana Ruiz stands[\s\S]*Ana has logged 320/);
  });
  test.each([
    ['real', /is really better: -2.4 in on .*1 March, -0.4 in now/],
    ['maybe', /is probably better: .* More films will tell/],
    ['none', /is the same as on .*, to within 0.8 in/],
    ['cant_tell', /can’t be told yet/],
  ] as const)('says no more than the verdict: %s', (verdict, said) => {
    expect(text(withLook(verdict))).toMatch(said);
    if (verdict !== 'real') expect(text(withLook(verdict))).not.toMatch(/really/);
  });
  test('a date comes with its span and its condition; one that is past is not told', () => {
    expect(text()).toMatch(/about Saturday 1 May; eight times in ten between .* if practice goes on/);
    expect(text({ day: '2027-05-02' })).not.toMatch(/should be in its band/);
  });
  test('units are the reader’s', () => {
    expect(text({}, 'cm')).toMatch(/-6.1 cm on .* -1.0 cm now/);
  });
  test('only a coach reads odds, limits and last words, and is told to ask first', () => {
    const coach = text({ for: 'coach', handover: HANDOVER });
    for (const said of [
      /19 times in 20; in band 70 in 100/,
      /knee/,
      /“It clicks.”/,
      /80 in 100 of a gain/,
      /feels 2.0 times/,
      /Ask Ana, or a guardian/,
    ])
      expect(coach).toMatch(said);
    for (const other of ['student', 'parent'] as const)
      expect(text({ for: other })).not.toMatch(/19 times|It clicks|guardian/);
  });
  test('pain is said first, with its care; nothing to say is no section', () => {
    const page = reportPage({ ...REPORT, hold: true }, HOUSE_WORDS, 'in');
    expect(page.sections[0]?.lines[0]).toMatch(/reported pain.*doctor or a physiotherapist/);
    const bare = {
      work: null,
      measures: [],
      nextLesson: null,
      practised: { repsDone: 0, byCoach: 0, repsPlanned: 0, passRate: null, since: null },
    };
    expect(
      reportPage({ ...REPORT, ...bare }, HOUSE_WORDS, 'in').sections.map(({ heading }) => heading),
    ).toEqual(['Current work', 'What has changed']);
  });
});
