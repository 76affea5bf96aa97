import * as wire from '@inchstep/contract/endpoints';
import { CARD_WORDS } from '@inchstep/contract/words';
import { referenceCase } from '@inchstep/core/diagnosis';
import { resolveSchool } from '@inchstep/core/intake';
import { type Drill, figureOf, HOUSE_LIBRARY, setupFor } from '@inchstep/core/prescription';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { draw, fakeServer, Refused, to } from '../../testing/screen.tsx';
import { studentCard } from './queries.ts';
import { SetupCard } from './SetupCard.tsx';
import { msAt, shareAt } from './useLoop.ts';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const file = referenceCase();
const drillNamed = (id: string): Drill => HOUSE_LIBRARY.byId(id) as Drill;

function show(id: string, answer?: unknown) {
  const drill = drillNamed(id);
  const setup = setupFor(drill, file);
  const figure = figureOf(drill, { student: file.student, school: resolveSchool(), setup });
  fakeServer({ [to(wire.prescription.studentFigure, { id: 'x', drill: id })]: answer ?? figure });
  draw(
    <SetupCard
      drill={id}
      setup={setup}
      cautions={[]}
      heightIn={70}
      left={false}
      layers={drill.layers}
      of={studentCard('x')}
    />,
  );
}
/** Where the parts of a view are drawn. */
const drawn = (view: string): string =>
  [...screen.getByRole('img', { name: new RegExp(`^${view}`) }).querySelectorAll('line')]
    .map((l) => l.getAttribute('x2'))
    .join();

describe('the moving card', () => {
  test('a pull at the tape takes the figure from its first pose to its last', async () => {
    show('kiss_the_post');
    const tape = await screen.findByRole('slider', { name: CARD_WORDS.way });
    const last = drawn(CARD_WORDS.front);
    fireEvent.change(tape, { target: { value: '0' } });
    const first = drawn(CARD_WORDS.front);
    expect(first).not.toBe(last);
    fireEvent.change(tape, { target: { value: '50' } });
    expect([first, last]).not.toContain(drawn(CARD_WORDS.front));
    fireEvent.change(tape, { target: { value: '100' } });
    expect(drawn(CARD_WORDS.front)).toBe(last);
  });
  test('stands still for whoever asked for less motion, until it is asked to move', async () => {
    show('kiss_the_post');
    const button = await screen.findByRole('button', { name: CARD_WORDS.play });
    const before = drawn(CARD_WORDS.front);
    await new Promise((go) => setTimeout(go, 120));
    expect(drawn(CARD_WORDS.front)).toBe(before);
    fireEvent.click(button);
    expect(await screen.findByRole('button', { name: CARD_WORDS.pause })).toBeTruthy();
    await new Promise((go) => setTimeout(go, 400));
    expect(drawn(CARD_WORDS.front)).not.toBe(before);
    fireEvent.click(screen.getByRole('button', { name: CARD_WORDS.pause }));
  });
  test('the side is shown where it tells more, and each checkpoint is pointed out when it is pressed', async () => {
    show('two_cheek_chair');
    await screen.findByRole('slider', { name: CARD_WORDS.way });
    const side = screen.getByRole('img', { name: new RegExp(`^${CARD_WORDS.side}`) });
    expect(within(side).getByText('1')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: CARD_WORDS.pointAt(3) }));
    expect(within(side).queryByText('1')).toBeNull();
    expect(within(side).getByText('3')).toBeTruthy();
  });
  test('points out the checkpoint that holds next, unless another one was pressed', async () => {
    const drill = drillNamed('two_cheek_chair');
    fakeServer({});
    const card = (layer: number) => (
      <SetupCard
        drill={drill.id}
        setup={setupFor(drill, file)}
        cautions={[]}
        heightIn={70}
        left={false}
        layers={drill.layers}
        layer={layer}
      />
    );
    const Grows = () => {
      const [layer, setLayer] = useState(1);
      return (
        <>
          {card(layer)}
          <button type="button" onClick={() => setLayer(2)}>
            holds
          </button>
        </>
      );
    };
    draw(<Grows />);
    const pressed = () =>
      [1, 2, 3].find(
        (n) =>
          screen.getByRole('button', { name: CARD_WORDS.pointAt(n) }).getAttribute('aria-pressed') === 'true',
      );
    expect(pressed()).toBe(1);
    fireEvent.click(screen.getByRole('button', { name: 'holds' }));
    expect(pressed()).toBe(2);
    fireEvent.click(screen.getByRole('button', { name: CARD_WORDS.pointAt(3) }));
    expect(pressed()).toBe(3);
  });
  test('without its move the card still draws the student and every distance', async () => {
    show('kiss_the_post', new Refused(503, 'broken', 'no'));
    expect(await screen.findByRole('img', { name: new RegExp(`^${CARD_WORDS.front}`) })).toBeTruthy();
    expect(await screen.findByText(CARD_WORDS.noMove)).toBeTruthy();
    expect(screen.queryByRole('slider', { name: CARD_WORDS.way })).toBeNull();
    expect(screen.getAllByText('0.6 in').length).toBeGreaterThan(1);
  });
});

describe('the loop', () => {
  test('goes out, rests, comes back, rests, and begins again', () => {
    expect(shareAt(0)).toBe(0);
    expect(shareAt(1300)).toBeCloseTo(0.5, 6);
    expect(shareAt(2600)).toBe(1);
    expect(shareAt(3400)).toBe(1);
    expect(shareAt(3500 + 1300)).toBeCloseTo(0.5, 6);
    expect(shareAt(6900)).toBeCloseTo(0, 6);
    expect(shareAt(7000)).toBe(0);
  });
  test.each([0, 0.2, 0.5, 0.9, 1])('goes on from %d where it was held', (share) => {
    expect(shareAt(msAt(share))).toBeCloseTo(share, 6);
  });
});
