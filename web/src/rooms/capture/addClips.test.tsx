import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { createRef } from 'react';
import { draw } from '../../testing/screen.tsx';
import { AddClip } from './AddClips.tsx';
import { FilePick } from './FilePick.tsx';

/** An upload the test holds in its hand: how far it is, how it ends. */
class HeldUpload {
  static last: HeldUpload;
  readonly upload: { onprogress: ((e: object) => void) | null } = { onprogress: null };
  onload: (() => void) | null = null;
  onerror: (() => void) | null = null;
  onabort: (() => void) | null = null;
  status = 0;
  responseText = '';
  url = '';
  form: FormData | null = null;
  constructor() {
    HeldUpload.last = this;
  }
  open(_: string, url: string) {
    this.url = url;
  }
  readonly headers: Record<string, string> = {};
  setRequestHeader(name: string, value: string) {
    this.headers[name] = value;
  }
  send(form: FormData) {
    this.form = form;
  }
  abort() {
    this.onabort?.();
  }
  answer(status: number, body: object) {
    this.status = status;
    this.responseText = JSON.stringify(body);
    this.onload?.();
  }
}

beforeEach(() => {
  Object.assign(globalThis, { XMLHttpRequest: HeldUpload });
});
afterEach(cleanup);

const clip = { id: 'c9', kind: 'face_on', fileName: 'swing.mp4' };
const pane = (onAdded = jest.fn()) => {
  draw(<AddClip studentId="x" kind="face_on" recordedOn="2027-03-08" onAdded={onAdded} />);
  return onAdded;
};
const choose = async () => {
  const file = new File(['pictures'], 'swing.mp4', { type: 'video/mp4' });
  fireEvent.change(screen.getByTestId('file-face_on'), { target: { files: [file] } });
  return (await screen.findByRole('progressbar', { name: 'Sending the clip' })) as HTMLProgressElement;
};

describe('a clip from disk', () => {
  test('where the phone stands is said before one is chosen', () => {
    pane();
    expect(screen.getByText(/belt-buckle height/)).toBeTruthy();
    cleanup();
    draw(<AddClip studentId="x" kind="down_the_line" recordedOn="2027-03-08" onAdded={jest.fn()} />);
    expect(screen.getByText(/behind the player/)).toBeTruthy();
  });
  test('goes with its day and side, shows how far it is, and is handed on', async () => {
    const onAdded = pane();
    const bar = await choose();
    const { last } = HeldUpload;
    expect(last.url).toBe(urlOf(wire.capture.listClips, { id: 'x' }));
    expect([...(last.form?.keys() ?? [])].at(-1)).toBe('file');
    expect(last.form?.get('kind')).toBe('face_on');
    expect(last.form?.get('recordedOn')).toBe('2027-03-08');
    act(() => last.upload.onprogress?.({ lengthComputable: true, loaded: 30, total: 120 }));
    expect(bar.value).toBe(0.25);
    await act(async () => last.answer(200, clip));
    await waitFor(() => expect(onAdded).toHaveBeenCalled());
    expect(onAdded.mock.calls[0]?.[0]).toEqual(clip);
  });
  test('stopped on the way: nothing is kept, and that is said', async () => {
    const onAdded = pane();
    await choose();
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    expect(await screen.findByText('Stopped. Nothing was kept.')).toBeTruthy();
    expect(screen.queryByRole('alert')).toBeNull();
    expect(onAdded).not.toHaveBeenCalled();
    expect(screen.getByTestId('file-face_on')).toBeTruthy();
  });
  test('refused: the server’s words, and another can be chosen', async () => {
    const onAdded = pane();
    await choose();
    const message = 'This file holds no video. Choose the clip itself.';
    await act(async () => HeldUpload.last.answer(422, { code: 'not_video', message, problems: [] }));
    expect(await screen.findByText(message)).toBeTruthy();
    expect(onAdded).not.toHaveBeenCalled();
    await choose();
  });
  test('no connection is said', async () => {
    pane();
    await choose();
    await act(async () => HeldUpload.last.onerror?.());
    expect(await screen.findByText(/No connection to the program/)).toBeTruthy();
  });
});

describe('a file for a button', () => {
  test('is handed on once, and the same can be chosen again', () => {
    const onFile = jest.fn();
    const input = createRef<HTMLInputElement>();
    draw(<FilePick input={input} accept=".csv" label="Shots file" testId="pick" onFile={onFile} />);
    const box = screen.getByLabelText('Shots file') as HTMLInputElement;
    expect(box).toBe(input.current);
    expect(box.accept).toBe('.csv');
    const file = new File(['a,b'], 'shots.csv');
    fireEvent.change(box, { target: { files: [file] } });
    fireEvent.change(box, { target: { files: [file] } });
    expect(onFile.mock.calls).toEqual([[file], [file]]);
    fireEvent.change(box, { target: { files: [] } });
    expect(onFile).toHaveBeenCalledTimes(2);
  });
});
