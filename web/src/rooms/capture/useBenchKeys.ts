import { type Landmark, MARKS_WANTED, STATIONS, type Station } from '@inchstep/core/capture';
import { useScreenKeys } from '../../platform/keys.ts';
import type { BenchAction, BenchState } from './benchState.ts';
import { markAt } from './benchState.ts';
import { START_DOWN_KEY, STATION_KEYS } from './StationRail.tsx';

/** What does something of its own on Enter: it must not set a mark besides. */
const OWN_ENTER = 'button, a, summary';

export interface BenchHands {
  step(frames: number): void;
  name(station: Station): void;
  /** The pelvis sets off toward the target at this frame. */
  startDown(): void;
  otherView(): void;
  /** Where the fit expects the chosen landmark, else the picture's middle. */
  guess(): { u: number; v: number };
  /** To the place whose mark would tell most. */
  toNext(): void;
}

/** Everything the pointer can do on the bench, by keys. */
export function useBenchKeys(
  state: BenchState,
  dispatch: (action: BenchAction) => void,
  hands: BenchHands,
): void {
  const options = { preventDefault: true };
  useScreenKeys('left, right', (_, key) => hands.step(key.hotkey === 'left' ? -1 : 1), options, [hands]);
  useScreenKeys(
    'shift+left, shift+right',
    (_, key) => hands.step(key.hotkey.endsWith('left') ? -10 : 10),
    options,
    [hands],
  );
  useScreenKeys(
    Object.values(STATION_KEYS).join(', '),
    (event) => {
      const station = STATIONS.find((s) => STATION_KEYS[s] === event.key.toLowerCase());
      if (station) hands.name(station);
    },
    options,
    [hands],
  );
  useScreenKeys(START_DOWN_KEY, () => hands.startDown(), options, [hands]);
  useScreenKeys('v', () => hands.otherView(), options, [hands]);
  useScreenKeys('n', () => hands.toNext(), options, [hands]);
  useScreenKeys(
    'bracketleft, bracketright',
    (event) => turn(state, dispatch, event.code === 'BracketLeft' ? -1 : 1),
    options,
    [state],
  );
  useScreenKeys(
    'enter',
    () => dispatch({ type: 'mark', ...hands.guess() }),
    { ...options, ignoreEventWhen: ({ target }) => target instanceof Element && target.matches(OWN_ENTER) },
    [hands],
  );
  useScreenKeys(
    'alt+left, alt+right, alt+up, alt+down, alt+shift+left, alt+shift+right, alt+shift+up, alt+shift+down',
    (event) => nudge(state, dispatch, event),
    options,
    [state],
  );
  useScreenKeys(
    '1, 2, 3',
    (event) =>
      dispatch({
        type: 'sight',
        sight: event.key === '1' ? 'clear' : event.key === '2' ? 'partly' : 'guessed',
      }),
    options,
    [state],
  );
  useScreenKeys('shift+enter', () => dispatch({ type: 'confirm' }), options, [state]);
  useScreenKeys('delete, backspace', () => dispatch({ type: 'unmark' }), options, [state]);
  useScreenKeys('z', () => dispatch({ type: 'undo' }), options);
  useScreenKeys('shift+z', () => dispatch({ type: 'redo' }), options);
}

function turn(state: BenchState, dispatch: (action: BenchAction) => void, by: number): void {
  const wanted: readonly Landmark[] = MARKS_WANTED[state.view];
  const at = wanted.indexOf(state.landmark);
  dispatch({
    type: 'look',
    landmark: wanted[(at + by + wanted.length) % wanted.length] as Landmark,
    stick: null,
  });
}

function nudge(state: BenchState, dispatch: (action: BenchAction) => void, event: KeyboardEvent): void {
  const mark = markAt(state, state.view, state.station, state.landmark);
  if (!mark) return;
  const by = event.shiftKey ? 5 : 1;
  const [du, dv] = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[
    event.key
  ] ?? [0, 0];
  dispatch({
    type: 'mark',
    u: mark.u + (du as number),
    v: mark.v + (dv as number),
    stay: true,
  });
}
