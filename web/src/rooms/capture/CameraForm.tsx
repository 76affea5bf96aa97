import type { SwingView } from '@inchstep/contract/capture';
import { STICK_PLACES } from '@inchstep/core/capture';
import { cmToIn, inToCm } from '@inchstep/core/foundation';
import { useUnits } from '../../platform/units.ts';
import type { BenchAction, BenchState } from './benchState.ts';
import { CAMERA_FORM_WORDS } from './words.ts';

const TAPED_DISTANCE_SD_IN = 3;
const TAPED_HEIGHT_SD_IN = 1.5;

/** What the coach knows of the phone: how far, how high, and where the sticks lay. */
export function CameraForm({
  view,
  state,
  dispatch,
}: {
  readonly view: SwingView;
  readonly state: BenchState;
  readonly dispatch: (action: BenchAction) => void;
}) {
  const { lengths } = useUnits();
  const shown = (inches: number | undefined) =>
    inches === undefined ? '' : Math.round((lengths === 'cm' ? inToCm(inches) : inches) * 10) / 10;
  const change = (field: 'distanceIn' | 'heightIn', text: string) => {
    const number = Number(text.replace(',', '.'));
    const inches =
      text.trim() === '' || Number.isNaN(number) || number <= 0
        ? undefined
        : lengths === 'cm'
          ? cmToIn(number)
          : number;
    const sd =
      field === 'distanceIn' ? { distanceSdIn: TAPED_DISTANCE_SD_IN } : { heightSdIn: TAPED_HEIGHT_SD_IN };
    dispatch({ type: 'camera', view: view.kind, camera: { ...view.camera, [field]: inches, ...sd } });
  };
  const ends = view.groundMarks.length;
  const unmarked = STICK_PLACES.findIndex(
    (place) => !view.groundMarks.some((g) => g.xIn === place.xIn && g.yIn === place.yIn),
  );
  const skip = () => {
    const next = (state.stick ?? 0) + 1;
    dispatch({ type: 'look', stick: next < STICK_PLACES.length ? next : null });
  };
  return (
    <div className="flex flex-wrap items-end gap-2 text-sm">
      {(['distanceIn', 'heightIn'] as const).map((field) => (
        <label key={`${view.kind}${field}${lengths}`} className="flex flex-col">
          {field === 'distanceIn' ? CAMERA_FORM_WORDS.phoneToPlayer : CAMERA_FORM_WORDS.phoneHeight} (
          {lengths})
          <input
            className="input w-24"
            inputMode="decimal"
            defaultValue={shown(view.camera[field])}
            onBlur={(e) => change(field, e.target.value)}
          />
        </label>
      ))}
      <button
        type="button"
        className={`btn ${state.stick !== null ? 'btn-primary' : ''}`}
        aria-pressed={state.stick !== null}
        onClick={() => dispatch({ type: 'look', stick: state.stick === null ? Math.max(0, unmarked) : null })}
      >
        {CAMERA_FORM_WORDS.stickEnds(ends)}
      </button>
      {state.stick !== null && (
        <button type="button" className="btn" onClick={skip}>
          {CAMERA_FORM_WORDS.notInThePicture}
        </button>
      )}
      {ends > 0 && (
        <button type="button" className="btn btn-ghost" onClick={() => dispatch({ type: 'clear_sticks' })}>
          {CAMERA_FORM_WORDS.clear}
        </button>
      )}
    </div>
  );
}
