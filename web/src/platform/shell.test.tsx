import * as wire from '@inchstep/contract/endpoints';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, ME, Refused, to } from '../testing/screen.tsx';
import { Shell } from './shell.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
});
const shell = () => draw(<Shell palette={null} />);

describe('the door', () => {
  test('an empty program asks who teaches here', async () => {
    const log = fakeServer({
      [to(wire.care.me)]: { ...ME, state: 'new', coach: null },
      [to(wire.care.setUp)]: { ok: true },
    });
    shell();
    fireEvent.change(await screen.findByLabelText('Your name'), { target: { value: 'Ilse Varga' } });
    fireEvent.change(screen.getByLabelText(/^Passphrase/), { target: { value: 'limestone and larks' } });
    fireEvent.click(screen.getByRole('button', { name: 'Begin' }));
    await waitFor(() =>
      expect(log.find((a) => a.method === 'POST')?.body).toEqual({
        name: 'Ilse Varga',
        passphrase: 'limestone and larks',
      }),
    );
  });
  test('a wrong passphrase is told as such, and the demo’s own door only in the demo', async () => {
    fakeServer({
      [to(wire.care.me)]: { ...ME, state: 'signed_out', coach: null },
      [to(wire.care.signIn)]: new Refused(401, 'wrong_passphrase', 'This passphrase opens nothing.'),
    });
    shell();
    fireEvent.change(await screen.findByLabelText(/^Passphrase/), { target: { value: 'guess' } });
    fireEvent.click(screen.getByRole('button', { name: 'Open' }));
    expect((await screen.findByRole('alert')).textContent).toContain('opens nothing');
    expect(screen.queryByRole('button', { name: /demo/ })).toBeNull();
    cleanup();
    fakeServer({ [to(wire.care.me)]: { ...ME, state: 'signed_out', coach: null, demo: true } });
    shell();
    expect(await screen.findByRole('button', { name: 'Enter as Ilse Varga (demo)' })).toBeTruthy();
  });
});

describe('the frame', () => {
  test('theme and units are switched at once and remembered', async () => {
    fakeServer({ [to(wire.care.me)]: ME });
    shell();
    fireEvent.click(await screen.findByRole('button', { name: 'Dark theme for the studio' }));
    expect(document.documentElement.dataset.theme).toBe('studio');
    fireEvent.click(screen.getByRole('button', { name: 'in: show lengths in centimetres' }));
    expect(JSON.parse(localStorage.getItem('inchstep.settings') ?? '{}')).toMatchObject({
      theme: 'studio',
      lengths: 'cm',
    });
    cleanup();
    shell();
    expect(await screen.findByRole('button', { name: 'Light theme for glare' })).toBeTruthy();
  });
  test('a broken store is a fresh one', async () => {
    localStorage.setItem('inchstep.settings', '{oops');
    fakeServer({ [to(wire.care.me)]: ME });
    shell();
    expect(await screen.findByRole('button', { name: 'Dark theme for the studio' })).toBeTruthy();
  });
  test('signing out leaves nothing typed and nothing fetched behind; refused, it takes nothing away', async () => {
    let inside = true;
    let answer: object = new Refused(500, 'broken', 'The program tripped.');
    fakeServer({
      [to(wire.care.me)]: () => (inside ? ME : { ...ME, state: 'signed_out', coach: null }),
      [to(wire.care.signOut)]: () => {
        inside = answer instanceof Refused;
        return answer;
      },
    });
    sessionStorage.setItem('inchstep.draft.reply.1', '"Keep the post."');
    shell();
    const out = await screen.findByRole('button', { name: 'Sign out' });
    fireEvent.click(out);
    await waitFor(() => expect(globalThis.fetch).toHaveBeenCalledTimes(2));
    expect(sessionStorage.getItem('inchstep.draft.reply.1')).not.toBeNull();
    answer = { ok: true };
    fireEvent.click(out);
    expect(await screen.findByLabelText(/^Passphrase/)).toBeTruthy();
    expect(Object.keys(sessionStorage)).toEqual([]);
  });
});
