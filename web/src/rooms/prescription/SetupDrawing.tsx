import { CARD_WORDS } from '@inchstep/contract/words';
import {
  type MoveFigure,
  type SetupValue,
  sceneOf,
  stillFigure,
  type ViewId,
} from '@inchstep/core/prescription';
import { Pause, Play } from 'lucide-react';
import { useMemo } from 'react';
import { useUnits } from '../../platform/units.ts';
import { DrawingView } from './DrawingView.tsx';
import { type FigureAt, useFigure } from './queries.ts';
import { useLoop } from './useLoop.ts';

/** The student with everything the card names, to scale, going through the drill's move. */
export function SetupDrawing({
  setup,
  heightIn,
  left,
  nameOf,
  figureAt,
  layer,
}: {
  readonly setup: readonly SetupValue[];
  readonly heightIn: number;
  readonly left: boolean;
  /** Name of a distance. */
  readonly nameOf: (id: string) => string;
  /** Where the move is asked for; without one the figure stands at address. */
  readonly figureAt: FigureAt | undefined;
  /** The checkpoint whose place is pointed out. */
  readonly layer: number;
}) {
  const asked = useFigure(figureAt);
  const figure = useMemo(() => asked.data ?? stillFigure(heightIn, setup), [asked.data, heightIn, setup]);
  const scenes = useMemo(
    () => viewsOf(figure).map((view) => ({ view, scene: sceneOf({ setup, figure, view }) })),
    [figure, setup],
  );
  const moves = figure.frames.length > 1;
  const loop = useLoop(moves);
  const { length } = useUnits();
  const said = setup
    .filter(({ id }) => !id.startsWith('camera'))
    .map(({ id, valueIn }) => `${nameOf(id)} ${length(valueIn)}`)
    .join(', ');
  return (
    <div className="flex flex-col gap-2">
      <div className="grid grid-cols-2 gap-2">
        {scenes.map(({ view, scene }) => (
          <div key={view} className={view === 'side' ? 'col-span-2' : ''}>
            <DrawingView
              name={CARD_WORDS[view]}
              drawing={scene(loop.share, [layer])}
              side={toTheRight(view, left) ? 1 : -1}
              said={said}
              toward={view === 'side' ? CARD_WORDS.ball : CARD_WORDS.target}
            />
          </div>
        ))}
      </div>
      {moves && <TapeSlider {...loop} />}
      {asked.isError && !asked.data && <p className="text-sm">{CARD_WORDS.noMove}</p>}
    </div>
  );
}

/** From the side only where that tells more. */
const viewsOf = ({ tells }: MoveFigure): ViewId[] =>
  tells === 'side' ? ['side', 'front', 'above'] : ['front', 'above'];

/** From above a right-hander who faces the ball has the target on the left; from the front, on the right. */
const toTheRight = (view: ViewId, left: boolean): boolean => (view === 'above' ? left : !left);

/** The way of the move as a piece of tape, with its notch where the figure is. */
function TapeSlider({ share, playing, toggle, hold }: ReturnType<typeof useLoop>) {
  return (
    <div className="flex items-center gap-2">
      <button
        type="button"
        className="btn btn-square"
        aria-label={playing ? CARD_WORDS.pause : CARD_WORDS.play}
        aria-pressed={playing}
        onClick={toggle}
      >
        {playing ? <Pause aria-hidden /> : <Play aria-hidden />}
      </button>
      <input
        type="range"
        className="tape-slider grow"
        min={0}
        max={100}
        value={Math.round(100 * share)}
        aria-label={CARD_WORDS.way}
        onChange={(event) => hold(Number(event.target.value) / 100)}
      />
    </div>
  );
}
