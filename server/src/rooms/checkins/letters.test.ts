import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import type { Checkin, Letter } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type ParsedMail, simpleParser } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import { addStudent, type TestServer, takeDrills, testServer } from '../../testServer.ts';
import { sendLetters } from './index.ts';

const START = '2027-03-01T09:00:00';
const MAIL = { address: 'priya@students.invalid', agreedOn: '2027-03-01' };

/** A mail server on this machine that says what a test wants. */
async function mailServer() {
  const got: ParsedMail[] = [];
  let answer: Error | null = null;
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo: (_, __, done) => done(answer),
    onData: (stream, _, done) => {
      simpleParser(stream).then(
        (mail) => {
          got.push(mail);
          done();
        },
        (error: Error) => done(error),
      );
    },
  });
  smtp.on('error', () => undefined);
  await new Promise<void>((done) => smtp.listen(0, '127.0.0.1', done));
  const { port } = smtp.server.address() as AddressInfo;
  return {
    got,
    url: `smtp://127.0.0.1:${port}`,
    says: (code: number | null) => {
      answer = code === null ? null : Object.assign(new Error('mailbox says no'), { responseCode: code });
    },
    stop: () => new Promise<void>((done) => smtp.close(() => done())),
  };
}

const words = (note: string) => ({
  id: randomUUID(),
  pain: false,
  painWhere: '',
  note,
  felt: null,
  clipIds: [],
});
const linkOf = async (server: TestServer, student: string): Promise<string> =>
  (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 30 } })).body.token;
const write = async (server: TestServer, token: string, note: string): Promise<Checkin> =>
  (await server.ask(wire.page.sendCheckin, { token, body: words(note) })).body;

describe('letters over a mail server', () => {
  let mail: Awaited<ReturnType<typeof mailServer>>;
  let server: TestServer;
  let student: string;
  beforeEach(async () => {
    mail = await mailServer();
    server = await testServer({
      mail: { url: mail.url, from: 'Ilse Varga <ilse@golf.invalid>' },
      publicUrl: 'https://golf.invalid',
    });
    student = await addStudent(server, { mail: MAIL });
  });
  afterEach(async () => {
    await server.stop();
    await mail.stop();
  });
  const letters = async (): Promise<Letter[]> =>
    (await server.ask(wire.checkins.readConversation, { id: student })).body.letters;
  const answered = async (text: string, more: object = {}) => {
    const { id } = await write(server, await linkOf(server, student), 'How is it?');
    const answer = await server.ask(wire.checkins.sendReply, {
      id,
      body: { id: randomUUID(), text, ...more },
    });
    expect(answer.status).toBe(200);
    return id;
  };

  test('go after ten minutes, plain and as HTML, with a date and a way to get no more', async () => {
    const { next } = (await server.ask(wire.checkins.listRequests, { id: student })).body;
    await answered('Well done.\n\nNow <slowly> & again.', { request: { id: randomUUID(), ...next } });
    await sendLetters(server.ctx);
    expect(mail.got).toHaveLength(0);
    expect((await letters())[0]).toMatchObject({ state: 'held' });
    server.at('2027-03-01T09:10:01');
    await sendLetters(server.ctx);
    await sendLetters(server.ctx);
    expect(mail.got).toHaveLength(1);
    const [letter] = mail.got as [ParsedMail];
    expect(letter.text).toContain('Now <slowly> & again.');
    expect(letter.html).toContain('Now &lt;slowly&gt; &amp; again.');
    expect(letter.from?.text).toContain('ilse@golf.invalid');
    expect(JSON.stringify(letter.to)).toContain('priya@students.invalid');
    const date = letter.attachments.find(({ contentType }) => contentType.includes('calendar'));
    expect(date?.content.toString()).toContain(`DTSTART;VALUE=DATE:${next.dueOn.replaceAll('-', '')}`);
    expect((await letters())[0]).toMatchObject({ state: 'gone', trouble: null });
    const stop = /<https:\/\/golf\.invalid\/api\/stop-mail\/([\w-]{43})>/.exec(
      String(letter.headerLines.find(({ key }) => key === 'list-unsubscribe')?.line),
    )?.[1];
    const asked = await server.app.inject({
      method: 'GET',
      url: urlOf(wire.checkins.stopPage, { code: stop ?? '' }),
    });
    expect(asked.body).toContain('Send me no more letters');
    const profile = async () =>
      (await server.ask(wire.intake.readStudent, { id: student })).body.profile.mail;
    expect(await profile()).toEqual(MAIL);
    // A mail program presses it by itself, from nowhere, without our header.
    const stopped = await server.app.inject({
      method: 'POST',
      url: urlOf(wire.checkins.stopMail, { code: stop ?? '' }),
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
      payload: 'List-Unsubscribe=One-Click',
    });
    expect(stopped.statusCode).toBe(200);
    expect(await profile()).toBeNull();
    const wrong = await server.app.inject({
      method: 'POST',
      url: urlOf(wire.checkins.stopMail, { code: 'guessed' }),
    });
    expect(wrong.statusCode).toBe(404);
    await answered('And one more.');
    server.at('2027-03-01T09:30:00');
    await sendLetters(server.ctx);
    expect(mail.got).toHaveLength(1);
    expect((await letters())[0]).toMatchObject({ state: 'gone', trouble: 'no_address' });
  });
  test('open the reader’s own page, for as long as the coach’s link does and no longer; a letter that did not go opens nothing', async () => {
    const links = async () =>
      (await server.ask(wire.checkins.listLinks, { id: student })).body.filter(
        ({ revokedAt }) => revokedAt === null,
      );
    const pageIn = (letter: ParsedMail | undefined) =>
      /https:\/\/golf\.invalid(\/p\/([\w-]{43}))/.exec(letter?.text ?? '')?.[2] ?? '';
    const opens = async (token: string) =>
      (await server.app.inject({ url: urlOf(wire.page.readPage, { token }) })).statusCode;
    await answered('Well done.');
    const [given] = await links();
    mail.says(451);
    server.at('2027-03-01T09:10:01');
    await sendLetters(server.ctx);
    expect(await links()).toEqual([given]);
    mail.says(null);
    server.at('2027-03-01T09:12:00');
    await sendLetters(server.ctx);
    const token = pageIn(mail.got[0]);
    expect(mail.got[0]?.html).toContain(`<a href="https://golf.invalid/p/${token}">`);
    expect(await opens(token)).toBe(200);
    const both = await links();
    expect(both.map(({ expiresAt }) => expiresAt)).toEqual([given?.expiresAt, given?.expiresAt]);
    await server.ask(wire.checkins.closeLinks, { id: student });
    expect(await opens(token)).toBe(410);
    // With every way closed a letter opens none.
    await server.ask(wire.checkins.writeMessages, {
      body: {
        to: [{ id: randomUUID(), studentId: student }],
        text: 'Hello.',
      },
    });
    server.at('2027-03-01T09:30:00');
    await sendLetters(server.ctx);
    expect(mail.got).toHaveLength(2);
    expect(pageIn(mail.got[1])).toBe('');
  });
  test('a server that is busy gets it later, once; one that says never is not asked again', async () => {
    await answered('Later, then.');
    mail.says(451);
    server.at('2027-03-01T09:11:00');
    await sendLetters(server.ctx);
    expect((await letters())[0]).toMatchObject({
      state: 'waits',
      trouble: expect.stringContaining('says no'),
    });
    mail.says(null);
    server.at('2027-03-01T09:11:30');
    await sendLetters(server.ctx);
    expect(mail.got).toHaveLength(0);
    server.at('2027-03-01T09:12:01');
    await sendLetters(server.ctx);
    expect(mail.got).toHaveLength(1);
    mail.says(550);
    await answered('To nobody.');
    server.at('2027-03-01T10:00:00');
    await sendLetters(server.ctx);
    expect((await letters())[0]).toMatchObject({ state: 'failed' });
    mail.says(null);
    server.at('2027-03-09T10:00:00');
    await sendLetters(server.ctx);
    expect(mail.got).toHaveLength(1);
  });
  test('a server that is not there: three days of tries, then it is given up', async () => {
    await mail.stop();
    await answered('Is anybody there?');
    let minutes = 11;
    let tries = 0;
    for (; (await letters())[0]?.state !== 'failed' && tries < 40; tries++) {
      server.at(new Date(Date.parse(START) + minutes * 60_000).toISOString());
      await sendLetters(server.ctx);
      minutes += 60 * (tries < 6 ? 1 : 13);
    }
    expect((await letters())[0]).toMatchObject({
      state: 'failed',
      trouble: expect.stringContaining('ECONN'),
    });
    expect(minutes / 60 / 24).toBeGreaterThan(2.5);
    mail = await mailServer();
  });
});

test('without an address of ours that opens from outside, a word to the coach stops letters', async () => {
  const mail = await mailServer();
  const server = await testServer({ mail: { url: mail.url, from: 'Ilse Varga <ilse@golf.invalid>' } });
  const student = await addStudent(server, { mail: MAIL });
  const { id } = await write(server, await linkOf(server, student), 'How is it?');
  await server.ask(wire.checkins.sendReply, { id, body: { id: randomUUID(), text: 'Well.' } });
  await server.ask(wire.checkins.sendReplyNow, { id });
  expect(mail.got).toHaveLength(1);
  const line = mail.got[0]?.headerLines.find(({ key }) => key === 'list-unsubscribe')?.line;
  expect(line).toContain('<mailto:ilse@golf.invalid?subject=');
  await server.stop();
  await mail.stop();
});

describe('one press', () => {
  let server: TestServer;
  let student: string;
  let token: string;
  beforeAll(async () => {
    server = await testServer();
    student = await addStudent(server);
    await takeDrills(server, student, ['knee_swap']);
    const ask = {
      start: '2027-03-01',
      nextLesson: null,
      days: ['mon', 'wed'],
      minutesPerDay: {},
      placeByDay: {},
    };
    await server.ask(wire.practice.savePlan, { id: student, body: { id: randomUUID(), ...ask } });
    token = await linkOf(server, student);
  });
  afterAll(() => server.stop());

  const stage = async () => (await server.ask(wire.practice.listGates, { id: student })).body[0]?.stage;
  const plannedAt = async () => (await server.ask(wire.practice.planNow, { id: student })).body;
  const page = async () => (await server.ask(wire.page.readPage, { token })).body;

  test('answers, decides, plans and asks; taken back, all of it is as it was', async () => {
    const checkin = await write(server, token, 'It works.');
    const before = await plannedAt();
    const word = { id: randomUUID(), drill: 'knee_swap', stage: 'still', decision: 'advance', note: 'seen' };
    const { next } = (await server.ask(wire.checkins.listRequests, { id: student })).body;
    const press = {
      id: randomUUID(),
      text: 'Up you go.',
      draft: 'Go up.',
      gates: [word],
      replan: true,
      request: { id: randomUUID(), ...next },
    };
    server.at('2027-03-01T09:05:00');
    const sent = await server.ask(wire.checkins.sendReply, { id: checkin.id, body: press });
    expect(sent.body.reply).toMatchObject({ text: 'Up you go.', goesAt: expect.any(String) });
    expect(await stage()).toBe('slow');
    expect((await page()).request?.id).toBe(press.request.id);
    expect((await page()).word).toBeNull();
    expect(await plannedAt()).not.toEqual(before);
    const undone = await server.ask(wire.checkins.takeBackReply, { id: checkin.id });
    expect(undone.body.reply).toBeNull();
    expect(await stage()).toBe('still');
    expect((await page()).request).toBeNull();
    expect(await plannedAt()).toEqual(before);
    const again = {
      ...press,
      id: randomUUID(),
      gates: [{ ...word, id: randomUUID() }],
      replan: false,
      request: null,
    };
    await server.ask(wire.checkins.sendReply, { id: checkin.id, body: again });
    server.at('2027-03-01T09:16:00');
    expect((await page()).word).toMatchObject({ text: 'Up you go.', as: 'reply' });
    const late = await server.ask(wire.checkins.takeBackReply, { id: checkin.id });
    expect(late).toMatchObject({ status: 409, body: { code: 'letter_gone' } });
  });
  test('a part that can’t be done leaves nothing half done', async () => {
    const checkin = await write(server, token, 'And now?');
    const wrong = { id: randomUUID(), drill: 'knee_swap', stage: 'full', decision: 'advance', note: 'x' };
    const press = { id: randomUUID(), text: 'Up.', gates: [wrong], replan: true };
    expect((await server.ask(wire.checkins.sendReply, { id: checkin.id, body: press })).status).toBe(409);
    const all = await server.ask(wire.checkins.listCheckins, { id: student });
    expect(all.body.find(({ id }) => id === checkin.id)?.reply).toBeNull();
    expect(await stage()).toBe('slow');
  });
  test('the coach writes first, to two; each has their own, the other’s is nowhere to be seen', async () => {
    const other = await addStudent(server, { firstName: 'Gus', familyName: 'Lindqvist' });
    const to = [student, other].map((studentId) => ({ id: randomUUID(), studentId }));
    server.at('2027-03-02T09:00:00');
    await server.ask(wire.checkins.writeMessages, { body: { to, text: 'The range is shut on Friday.' } });
    await server.ask(wire.checkins.writeMessages, { body: { to, text: 'The range is shut on Friday.' } });
    const took = await server.ask(wire.checkins.takeBackMessage, { id: other, messageId: to[1]?.id });
    expect(took.status).toBe(200);
    server.at('2027-03-02T09:11:00');
    expect((await page()).word).toMatchObject({ text: 'The range is shut on Friday.', as: 'message' });
    const theirs = await server.ask(wire.checkins.readConversation, { id: other });
    expect(theirs.body.said).toEqual([]);
    const mine = await server.ask(wire.page.readConversation, { token });
    expect(mine.body.map(({ as }) => as)).toEqual(['message', 'checkin', 'reply', 'checkin']);
    const foreign = await server.ask(wire.checkins.takeBackMessage, { id: other, messageId: to[0]?.id });
    expect(foreign.status).toBe(404);
  });
});
