import { createHash, webcrypto } from 'node:crypto';
import { TextEncoder as NodeEncoder } from 'node:util';
import type { Enclosure, TalkDocument } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { API, urlOf } from '@inchstep/contract/wire/address';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { type Asked, draw, fakeServer, to } from '../../testing/screen.tsx';
import { EnclosedList } from './EnclosedList.tsx';
import { keepAlong } from './enclosedQueries.ts';
import { PAPERS } from './papers.ts';
import { VoiceStrip } from './VoiceStrip.tsx';

/** A voice that plays when it is told to, and stands where it was put. */
class StillAudio extends EventTarget {
  static last: StillAudio;
  currentTime = 0;
  src = '';
  constructor() {
    super();
    StillAudio.last = this;
  }
  async play() {}
  pause() {
    this.dispatchEvent(new Event('pause'));
  }
}

const talk: TalkDocument = {
  ms: 4000,
  now: { clipId: 'n', widthPx: 540, heightPx: 960, title: 'Now' },
  before: null,
  laid: null,
  moves: [
    { at: 0, do: 'stand', now: 0.5, before: null },
    { at: 1000, do: 'draw', stroke: 1, u: 100, v: 200 },
    { at: 1100, do: 'draw', stroke: 1, u: 100, v: 300 },
    { at: 3000, do: 'wipe' },
  ],
  captions: [{ at: 900, text: 'Here it stalls.' }],
};
const one = (id: string, more: Partial<Enclosure> = {}): Enclosure => ({
  id,
  kind: 'talk',
  title: 'Spoken',
  bytes: 91_000,
  seconds: 4,
  ...more,
});
const SERVER = {
  [to(wire.checkins.readTalk, { id: 't' })]: talk,
  [to(wire.checkins.enclosureFile, { id: 't' })]: {},
};

beforeEach(() => {
  Object.assign(globalThis, { Audio: StillAudio });
  URL.createObjectURL = () => 'blob:voice';
  URL.revokeObjectURL = () => undefined;
  HTMLCanvasElement.prototype.getContext = () => null;
  HTMLMediaElement.prototype.load = () => undefined;
  HTMLMediaElement.prototype.play = async () => undefined;
  HTMLMediaElement.prototype.pause = () => undefined;
});
afterEach(cleanup);

const list = (enclosures: readonly Enclosure[], open = true) =>
  draw(<EnclosedList studentId="x" enclosures={enclosures} open={open} />);
const asked = (server: readonly Asked[], at: string) => server.filter(({ url }) => url === at);
const strokes = () => document.querySelectorAll('[data-testid="strokes"] > g').length;

describe('what goes along', () => {
  test('is named with its size; nothing stands where there is nothing', () => {
    fakeServer({});
    list([one('t'), one('p', { kind: 'picture', title: 'At impact', bytes: 1_240_000, seconds: null })]);
    expect(screen.getByText('0:04, 91 kB')).toBeTruthy();
    expect(screen.getByText('At impact, 1.2 MB')).toBeTruthy();
    cleanup();
    list([]);
    expect(screen.queryByRole('list')).toBeNull();
  });
  test('a picture is shown with its title as its words', () => {
    fakeServer({});
    list([one('p', { kind: 'picture', title: 'At impact' })]);
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    const picture = screen.getByRole('img', { name: 'At impact' });
    expect(picture.getAttribute('src')).toBe(urlOf(wire.checkins.enclosureFile, { id: 'p' }));
  });
  test('is left out by a press, and nothing can be left out of a letter that has gone', async () => {
    const server = fakeServer({ [to(wire.checkins.dropEnclosure, { id: 't' })]: one('t') });
    list([one('t')]);
    fireEvent.click(screen.getByRole('button', { name: 'Leave it out' }));
    await waitFor(() =>
      expect(asked(server, urlOf(wire.checkins.dropEnclosure, { id: 't' }))).toHaveLength(1),
    );
    cleanup();
    list([one('t')], false);
    expect(screen.queryByRole('button', { name: 'Leave it out' })).toBeNull();
  });
});

describe('a talk', () => {
  const open = async (here = true) => {
    list([one('t')], here);
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    const play = await screen.findByRole('button', { name: 'Play' });
    await waitFor(() => expect((play as HTMLButtonElement).disabled).toBe(false));
    return play;
  };
  test('stands, draws, captions and wipes where a step leads', async () => {
    fakeServer(SERVER);
    const made = jest.spyOn(document, 'createElement');
    await open(false);
    const video = made.mock.results.find((_, i) => made.mock.calls[i]?.[0] === 'video')?.value as HTMLElement;
    made.mockRestore();
    // The browser has found the first picture.
    fireEvent(video, new Event('seeked'));
    expect(strokes()).toBe(0);
    const on = screen.getByRole('button', { name: 'On to the next step' });
    fireEvent.click(on);
    expect(strokes()).toBe(1);
    expect(screen.getByText('Here it stalls.')).toBeTruthy();
    expect(screen.getByText('0:01 of 0:04')).toBeTruthy();
    expect(StillAudio.last.currentTime).toBe(1);
    fireEvent.click(on);
    expect(strokes()).toBe(0);
    fireEvent.click(screen.getByRole('button', { name: 'Back to the last step' }));
    expect(strokes()).toBe(1);
  });
  test('plays and pauses by one button', async () => {
    fakeServer(SERVER);
    fireEvent.click(await open());
    fireEvent.click(await screen.findByRole('button', { name: 'Pause' }));
    expect(await screen.findByRole('button', { name: 'Play' })).toBeTruthy();
  });
  test('is captioned where it stands; an empty caption is not kept', async () => {
    const server = fakeServer({ ...SERVER, [to(wire.checkins.captionTalk, { id: 't' })]: talk });
    await open();
    fireEvent.click(screen.getByRole('button', { name: 'On to the next step' }));
    fireEvent.click(screen.getByRole('button', { name: 'On to the next step' }));
    fireEvent.click(screen.getByRole('button', { name: 'Caption at 0:03' }));
    fireEvent.change(screen.getByLabelText('Caption from 0:03'), { target: { value: 'Like this.' } });
    fireEvent.change(screen.getByLabelText('Caption from 0:00'), { target: { value: ' ' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the captions' }));
    await waitFor(() => expect(asked(server, urlOf(wire.checkins.captionTalk, { id: 't' }))).toHaveLength(1));
    expect(asked(server, urlOf(wire.checkins.captionTalk, { id: 't' }))[0]?.body).toEqual({
      captions: [{ at: 3000, text: 'Like this.' }],
    });
  });
  test('without a signal says so, and is not played', async () => {
    fakeServer({ [to(wire.checkins.readTalk, { id: 't' })]: talk });
    list([one('t')], false);
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    expect(await screen.findByText('It can’t be shown now. It needs a signal.')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Play' }) as HTMLButtonElement).disabled).toBe(true);
  });
});

describe('the voice strip', () => {
  const strip = () => {
    const gone: number[] = [];
    draw(<VoiceStrip ms={0} length={60_000} ticks={[0, 20_000, 24_000]} onGo={(ms) => gone.push(ms)} />);
    const slider = screen.getByLabelText('Where in the talk');
    return { gone, slider };
  };
  test('a finger near a tick means it; elsewhere it goes where it is', () => {
    const { gone, slider } = strip();
    fireEvent.change(slider, { target: { value: '20900' } });
    fireEvent.change(slider, { target: { value: '40000' } });
    expect(gone).toEqual([20_000, 40_000]);
  });
  test('says in words where it stands, and has a line for each second', () => {
    const { slider } = strip();
    expect(slider.getAttribute('aria-valuetext')).toBe('0:00 of 1:00');
    const lines = within(slider.parentElement as HTMLElement).getByText(
      (_, element) => element?.tagName.toLowerCase() === 'svg',
    );
    expect(lines.querySelectorAll('line')).toHaveLength(61 + 3 + 1);
  });
});

describe('a page that is opened for the first time', () => {
  const of = (id: string, what: string) => `${API}page/tok/enclosures/${id}/${what}`;
  const at = {
    file: (id: string) => of(id, 'file'),
    talk: (id: string) => of(id, 'talk'),
    readTalk: () => Promise.reject(new Error('nobody listens')),
    clip: (id: string) => id,
  };
  const enclosures = [one('t'), one('p', { kind: 'picture' }), one('c', { kind: 'clip' })];
  const worker = Object.assign(new EventTarget(), { controller: null as object | null });
  beforeEach(() => {
    Object.assign(navigator, { serviceWorker: worker });
  });
  afterEach(() => {
    Reflect.deleteProperty(navigator, 'serviceWorker');
  });

  test('keeps what goes along by itself, where the worker will look; a film is too long for that', async () => {
    worker.controller = null;
    const added: string[] = [];
    const opened: string[] = [];
    Object.assign(globalThis, {
      caches: {
        open: async (name: string) => {
          opened.push(name);
          return { put: async (key: string) => void added.push(key) };
        },
      },
      TextEncoder: NodeEncoder,
    });
    Object.defineProperty(globalThis.crypto, 'subtle', { value: webcrypto.subtle, configurable: true });
    fakeServer(
      Object.fromEntries([at.talk('t'), at.file('t'), at.file('p')].map((url) => [`GET ${url}`, {}])),
    );
    await keepAlong(enclosures, at);
    Reflect.deleteProperty(globalThis, 'caches');
    const own = createHash('sha256').update('tok').digest('hex');
    const kept = ['t/talk', 't/file', 'p/file'].map((path) => `${API}page/${own}/enclosures/${path}`);
    expect(added.sort()).toEqual(kept.sort());
    expect(new Set(opened)).toEqual(new Set([PAPERS]));
  });
  test('with a worker from before asks for nothing twice', async () => {
    worker.controller = { scriptURL: 'https://x/page-worker.js' };
    const server = fakeServer({});
    await keepAlong(enclosures, at);
    expect(server).toEqual([]);
  });
});
