import * as wire from '@inchstep/contract/endpoints';
import type { SchoolPage } from '@inchstep/contract/intake';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, markedSwing, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

const _url = urlOf(wire.intake.editBand, { preset: 'centre_and_turn', measure: 'turn_top' });
const bandOf = (page: SchoolPage) => page.bands.find((b) => b.measure === 'turn_top');

describe('bands of a school', () => {
  test('begin as the house has them, with their origin', async () => {
    const { body } = await server.ask(wire.intake.listSchools);
    expect(body.map((p) => p.preset)).toHaveLength(4);
    expect(bandOf(body[0] as SchoolPage)).toMatchObject({
      house: { lo: 35, hi: 55 },
      now: { lo: 35, hi: 55 },
      origin: ['house', 'turn_amount.enough'],
      edit: null,
    });
  });
  test('the coach’s own reaches this school’s students and measures, nobody else’s, and there is a way back', async () => {
    const here = await addStudent(server);
    const there = await addStudent(server, { school: { preset: 'drive_through' } });
    const edit = { lo: 30, hi: 75, reason: 'supple players' };
    const { body } = await server.ask(wire.intake.editBand, {
      preset: 'centre_and_turn',
      measure: 'turn_top',
      body: edit,
    });
    expect(bandOf(body)).toMatchObject({
      house: { lo: 35, hi: 55 },
      now: { lo: 30, hi: 75 },
      origin: ['house', 'turn_amount.enough', 'coach'],
      edit: { reason: 'supple players' },
    });
    const verdict = async (student: string) => {
      const swing = markedSwing('priya-then');
      await server.ask(wire.capture.addSwing, { id: student, body: swing });
      const reading = await server.ask(wire.measures.measureSwing, { id: swing.id });
      return reading.body.measures.find((m) => m.id === 'turn_top');
    };
    expect(await verdict(here)).toMatchObject({
      verdict: 'in',
      band: { hi: 75, origin: ['house', 'turn_amount.enough', 'coach'] },
    });
    expect(await verdict(there)).toMatchObject({ verdict: 'high', band: { hi: 62 } });
    const back = await server.ask(wire.intake.resetBand, { preset: 'centre_and_turn', measure: 'turn_top' });
    expect(bandOf(back.body)).toMatchObject({ now: { lo: 35, hi: 55 }, edit: null });
    expect(await verdict(here)).toMatchObject({ verdict: 'high' });
  });
  test('a student’s own band goes over the school’s', async () => {
    await server.ask(wire.intake.editBand, {
      preset: 'centre_and_turn',
      measure: 'turn_top',
      body: { lo: 30, hi: 60, reason: '' },
    });
    const id = await addStudent(server, {
      school: { preset: 'centre_and_turn', bands: { turn_top: { lo: 20, hi: 40 } } },
    });
    const { body } = await server.ask(wire.intake.readStudent, { id });
    expect(body.school.bands).toEqual({ turn_top: { lo: 20, hi: 40 } });
    await server.ask(wire.intake.resetBand, { preset: 'centre_and_turn', measure: 'turn_top' });
  });
  test.each([
    ['upside down', { lo: 60, hi: 30, reason: '' }, 400],
    ['no edge at all', { lo: null, hi: null, reason: '' }, 400],
    ['no number', { lo: 'a', hi: 3, reason: '' }, 400],
  ])('%s is refused', async (_, edit, status) => {
    expect(
      (await server.ask(wire.intake.editBand, { preset: 'centre_and_turn', measure: 'turn_top', body: edit }))
        .status,
    ).toBe(status);
  });
  test('a measure or a school that is not there', async () => {
    const edit = { lo: 1, hi: 2, reason: '' };
    expect(
      (await server.ask(wire.intake.editBand, { preset: 'centre_and_turn', measure: 'nonsense', body: edit }))
        .body,
    ).toMatchObject({
      code: 'unknown_measure',
    });
    expect(
      (await server.ask(wire.intake.editBand, { preset: 'upside_down', measure: 'turn_top', body: edit }))
        .status,
    ).toBe(400);
  });
});
