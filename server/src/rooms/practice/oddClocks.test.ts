import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { SENT_AT_HEADER } from '../../platform/address.ts';
import { addStudent, type TestServer, takeDrills, testServer } from '../../testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

/** What a phone's clock may say, or what somebody writes in its place. */
const CLOCKS: readonly (string | undefined)[] = [
  undefined,
  '',
  'yesterday',
  'NaN',
  '0',
  '1970-01-01T00:00:00.000Z',
  '0001-01-01T00:00:00Z',
  '2027-03-01T09:00:00.000Z',
  '2027-03-02T23:59:60Z',
  '2027-02-30T09:00:00Z',
  '2027-03-01T09:00:00+14:00',
  '2027-03-01T09:00:00-12:00',
  '9999-12-31T23:59:59.999Z',
  '+275760-09-13T00:00:00.000Z',
  '2027-03-01T09:00:00.000Z, 2001-01-01T00:00:00Z',
];
const WRITTEN = ['1970-01-01T00:00:00.000Z', '2027-03-01T08:00:00.000Z', '9999-12-31T23:59:59.999Z'];

describe('whatever the clock of a phone says', () => {
  test.each(CLOCKS)(
    'a report of pain sent at %p pauses the drills from then on, and nothing breaks',
    async (clock) => {
      const headers: Record<string, string> = clock === undefined ? {} : { [SENT_AT_HEADER]: clock };
      for (const writtenAt of WRITTEN) {
        server.at('2027-02-20T09:00:00');
        const student = await addStudent(server);
        await takeDrills(server, student, ['knee_swap']);
        server.at('2027-03-01T09:00:00');
        const link = await server.ask(wire.checkins.makeLink, {
          id: student,
          body: {
            days: 90,
          },
        });
        const _page = urlOf(wire.page.readPage, { token: link.body.token });
        const pain = { id: randomUUID(), where: 'low back', writtenAt };
        expect(
          (await server.ask(wire.page.stopForPain, { token: link.body.token, body: pain }, headers)).status,
        ).toBe(200);
        server.at('2027-03-01T09:30:00');
        const set = {
          id: randomUUID(),
          date: '2027-03-01',
          drill: 'knee_swap',
          stage: 'still',
          reps: 'PP',
          felt: 6,
        };
        const log = async (at: string | undefined, more: object) =>
          (
            await server.refused(
              wire.page.logSet,
              { token: link.body.token, body: { ...set, id: randomUUID(), ...more } },
              at === undefined ? {} : { [SENT_AT_HEADER]: at },
            )
          ).status;
        for (const at of CLOCKS) {
          // Known to the day alone, the whole day of the report is paused.
          expect(await log(at, {})).toBe(409);
          expect([200, 400, 409]).toContain(await log(at, { doneAt: '2027-03-01T09:20:00.000Z' }));
        }
        // With a clock that is right, a set that was done after the report is refused.
        expect(await log('2027-03-01T09:30:00.000Z', { doneAt: '2027-03-01T09:20:00.000Z' })).toBe(409);
      }
    },
  );
});
