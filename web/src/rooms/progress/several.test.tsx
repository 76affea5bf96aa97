import * as wire from '@inchstep/contract/endpoints';
import type { RosterRow } from '@inchstep/contract/progress';
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { WriteToSeveral } from './WriteToSeveral.tsx';

afterEach(() => {
  cleanup();
  sessionStorage.clear();
});

const rows = (...names: string[]) =>
  names.map((name) => ({ studentId: `id-${name}`, name })) as unknown as RosterRow[];
function open(all: readonly RosterRow[]) {
  draw(<WriteToSeveral rows={all} />);
  const details = screen.getByText('Write to several').closest('details') as HTMLDetailsElement;
  details.open = true;
  fireEvent(details, new Event('toggle'));
}

test('a word goes to those who are ticked, each under an id of its own; sent again it is the same', async () => {
  let fails = true;
  const log = fakeServer({
    [to(wire.checkins.writeMessages)]: () => {
      if (fails) throw new TypeError('offline');
      return { ok: true };
    },
  });
  open(rows('Gus', 'Mei', 'Kofi'));
  fireEvent.click(await screen.findByRole('checkbox', { name: 'Mei' }));
  fireEvent.change(screen.getByRole('textbox'), { target: { value: 'The range is shut on Friday.' } });
  const send = () => fireEvent.click(screen.getByRole('button', { name: 'Write to 2' }));
  send();
  expect(await screen.findByText(/No connection/)).toBeTruthy();
  fails = false;
  send();
  await waitFor(() => expect(log).toHaveLength(2));
  type Sent = { to: { id: string; studentId: string }[]; text: string };
  const [first, second] = log.map(({ body }) => body as Sent);
  expect(first?.to.map(({ studentId }) => studentId)).toEqual(['id-Gus', 'id-Kofi']);
  expect(new Set(first?.to.map(({ id }) => id)).size).toBe(2);
  expect(second).toEqual(first);
  await waitFor(() => expect((screen.getByRole('textbox') as HTMLTextAreaElement).value).toBe(''));
});

test('nobody writes to a whole roster by mistake', () => {
  open(rows(...Array.from({ length: 61 }, (_, i) => `Student ${i}`)));
  expect(screen.getByText(/Find those you mean first/)).toBeTruthy();
  expect(screen.queryByRole('textbox')).toBeNull();
});
