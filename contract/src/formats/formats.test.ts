import { describe, expect, test } from '@jest/globals';
import {
  captureSchema,
  caseSchema,
  gateSchema,
  planCaseSchema,
  readCsv,
  readDocument,
  toCase,
} from './index.ts';

const capture = {
  format: 'inchstep.capture/1',
  golfer: { handedness: 'left', heightIn: 70 },
  views: [{ id: 'fo', kind: 'face_on', widthPx: 1080, heightPx: 1920 }],
  marks: [{ view: 'fo', station: 'top', landmark: 'lead_hip', u: 611, v: 902.4, sdPx: 2 }],
};
const file = { format: 'inchstep.case/1', student: { heightIn: 70 } };

const problemsOf = (schema: Parameters<typeof readDocument>[0], json: unknown) => {
  const read = readDocument(schema, json);
  return read.ok ? [] : read.problems.map((p) => [p.path, String(p.detail.message)] as const);
};

describe('what may be left out gets its default', () => {
  test('capture', () => {
    const read = readDocument(captureSchema, capture);
    expect(read.ok && read.value).toMatchObject({
      club: 'mid_iron',
      golfer: { outerHipWidthIn: null, flexibility: 'usual' },
      views: [{ camera: {}, groundMarks: [] }],
    });
  });
  test('case: the default school, with the preset’s answers where none is given', () => {
    const read = readDocument(caseSchema, { ...file, school: { preset: 'drive_through', head: 'still' } });
    expect(read.ok && toCase(read.value).school).toMatchObject({ head: 'still', trail_foot: 'up' });
  });
});

describe('wrong values are answered with their path', () => {
  test.each([
    [
      'the mark’s pixel',
      captureSchema,
      { ...capture, marks: [{ ...capture.marks[0], u: 'x' }] },
      'marks[0].u',
    ],
    [
      'a station nobody knows',
      captureSchema,
      { ...capture, marks: [{ ...capture.marks[0], station: 'p6' }] },
      'marks[0].station',
    ],
    ['an sd of 0', captureSchema, { ...capture, marks: [{ ...capture.marks[0], sdPx: 0 }] }, 'marks[0].sdPx'],
    ['another format', captureSchema, { ...capture, format: 'inchstep.capture/2' }, 'format'],
    ['no view', captureSchema, { ...capture, views: [] }, 'views'],
    ['no height', caseSchema, { ...file, student: {} }, 'student.heightIn'],
    [
      'a limit nobody knows',
      caseSchema,
      { ...file, student: { heightIn: 70, limits: ['elbow'] } },
      'student.limits[0]',
    ],
    [
      'a negative sd',
      caseSchema,
      { ...file, measures: [{ id: 'turn_top', value: 1, sd: -1 }] },
      'measures[0].sd',
    ],
    [
      'a day that is none',
      planCaseSchema,
      { ...file, drills: [], planning: { start: '2027-13-01', days: [] } },
      'planning.start',
    ],
    ['a stage nobody knows', gateSchema, { reps: 'P', stage: 'warm' }, 'stage'],
  ] as const)('%s', (_, schema, json, path) => {
    const problems = problemsOf(schema, json);
    expect(problems.map(([p]) => p)).toContain(path);
    for (const [, message] of problems) expect(message.length).toBeGreaterThan(5);
  });
});

describe('unknown fields are refused by name', () => {
  test.each([
    ['at the top', captureSchema, { ...capture, colour: 'blue' }, 'colour'],
    ['deep inside', captureSchema, { ...capture, golfer: { ...capture.golfer, shoe: 9 } }, 'shoe'],
    ['in a case', caseSchema, { ...file, student: { heightIn: 70, weightLb: 160 } }, 'weightLb'],
    ['in a school', caseSchema, { ...file, school: { stance: 'wide' } }, 'stance'],
  ] as const)('%s', (_, schema, json, name) => {
    expect(problemsOf(schema, json).some(([, message]) => message.includes(name))).toBe(true);
  });
});

describe('a table of more rows than are wanted', () => {
  test('is cut, also in the middle of a quote; a smaller one is whole', () => {
    const many = readCsv(`a,b\n${'1,2\n'.repeat(1000)}`, 10);
    expect(many.ok && many.value).toHaveLength(10);
    const quoted = readCsv(`a\n${'"x\ny"\n'.repeat(1000)}`, 11);
    expect(quoted.ok && quoted.value).toHaveLength(11);
    const few = readCsv('a,b\n1,"2\n3"\n\n4,5\n', 10);
    expect(few.ok && few.value).toEqual([
      ['a', 'b'],
      ['1', '2\n3'],
      ['4', '5'],
    ]);
    expect(readCsv('a\n"1\n2', 10)).toMatchObject({ ok: false });
  });
});
