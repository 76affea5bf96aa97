import { AMOUNT_WORDS, CARD_WORDS, CLUB_WORDS, cautionText, RANGE_WORDS } from '@inchstep/contract/words';
import type { Caution, ClubAmount, Drill, SetupValue } from '@inchstep/core/prescription';
import { useState } from 'react';
import { useUnits } from '../../platform/units.ts';
import { useLibraryWords } from './libraryWords.tsx';
import type { CardAt, FigureAt } from './queries.ts';
import { SetupDrawing } from './SetupDrawing.tsx';

export interface SetupCardProps {
  readonly drill: string;
  readonly setup: readonly SetupValue[];
  readonly cautions: readonly Caution[];
  readonly heightIn: number;
  readonly left: boolean;
  readonly onRange?: boolean;
  /** Who tells of each checkpoint, and what stands beside the drill. */
  readonly layers?: readonly Pick<Drill['layers'][number], 'tells'>[];
  readonly guard?: string | null;
  /** The checkpoint it stands at, from 1. */
  readonly layer?: number;
  /** What changes with the club. */
  readonly amounts?: readonly ClubAmount[];
  /** Whose card it is. */
  readonly of?: CardAt;
  /** Where the move is asked for otherwise: in the library it is nobody's. */
  readonly figureAt?: FigureAt;
}

/** What the student needs to set the drill up and to know when it counted. */
export function SetupCard({
  drill,
  setup,
  cautions,
  heightIn,
  left,
  onRange = false,
  layers = [],
  guard = null,
  layer = 1,
  amounts = [],
  of,
  figureAt = of?.figure(drill),
}: SetupCardProps) {
  const { wordsOf, distanceName } = useLibraryWords();
  const words = wordsOf(drill);
  const { length, lengths } = useUnits();
  // Until somebody asks for another one, it is the checkpoint that the student stands at.
  const [asked, setAsked] = useState<number | null>(null);
  const pointed = asked ?? layer;
  if (!words) return null;
  return (
    <article className="@container flex flex-col gap-3" aria-label={CARD_WORDS.named(words.name)}>
      <p>{words.purpose}</p>
      <div className="grid gap-3 @2xl:grid-cols-[minmax(16rem,24rem)_1fr]">
        <SetupDrawing
          setup={setup}
          heightIn={heightIn}
          left={left}
          nameOf={(id) => distanceName(drill, id)}
          figureAt={figureAt}
          layer={pointed}
        />
        <div>
          <ol className="list-decimal pl-5">
            {words.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
          <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 text-sm">
            {setup.map(({ id, valueIn }) => (
              <div key={id} className="contents">
                <dt>{distanceName(drill, id)}</dt>
                <dd className="text-right font-semibold">{length(valueIn)}</dd>
              </div>
            ))}
          </dl>
          <ByClub amounts={amounts} />
        </div>
      </div>
      <p className="tape-edge rounded px-3 pt-3 pb-1.5 text-lg font-semibold">{words.cue}</p>
      <Layers drill={drill} told={layers} guard={guard} layer={layer} pointed={pointed} point={setAsked} />
      <dl className="grid gap-2 @lg:grid-cols-3">
        <Fact title={CARD_WORDS.counts}>{words.counts}</Fact>
        <Fact title={CARD_WORDS.fake}>{words.fake}</Fact>
        <Fact title={CARD_WORDS.tooMuch}>{words.tooMuch}</Fact>
      </dl>
      {(cautions.length > 0 || onRange) && (
        <ul className="panel border-warning p-3 text-sm" aria-label={CARD_WORDS.care}>
          {cautions.map((caution) => (
            <li key={caution.code + caution.about}>{cautionText(caution)}</li>
          ))}
          {onRange && <li>{RANGE_WORDS}</li>}
        </ul>
      )}
      {of && (
        <a
          className="btn self-start"
          href={of.card({ drill, units: lengths })}
          target="_blank"
          rel="noreferrer"
        >
          {CARD_WORDS.print}
        </a>
      )}
    </article>
  );
}

/** What changes with the club, beside the other distances. */
function ByClub({ amounts }: { readonly amounts: readonly ClubAmount[] }) {
  const { length } = useUnits();
  const text = (loIn: number, hiIn: number) =>
    loIn === hiIn ? length(loIn) : `${length(loIn)} – ${length(hiIn)}`;
  return amounts.map(({ id, byClub }) => (
    <dl key={id} className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 text-sm" aria-label={AMOUNT_WORDS[id]}>
      <dt className="font-semibold">{AMOUNT_WORDS[id]}</dt>
      <dd className="text-right">{CARD_WORDS.byClub}</dd>
      {byClub.map(({ club, loIn, hiIn }) => (
        <div key={club} className="contents">
          <dt className="pl-3">{CLUB_WORDS[club]}</dt>
          <dd className="text-right font-semibold">{text(loIn, hiIn)}</dd>
        </div>
      ))}
    </dl>
  ));
}

/** The checkpoints in order, and the drill that stands beside this one. */
function Layers({
  drill,
  told,
  guard,
  layer,
  pointed,
  point,
}: {
  readonly drill: string;
  readonly told: NonNullable<SetupCardProps['layers']>;
  readonly guard: string | null;
  readonly layer: number;
  /** The checkpoint that the drawing points out. */
  readonly pointed: number;
  readonly point: (layer: number) => void;
}) {
  const { wordsOf } = useLibraryWords();
  const layers = wordsOf(drill)?.layers ?? [];
  const beside = guard === null ? undefined : wordsOf(guard)?.name;
  if (layers.length === 0) return null;
  return (
    <section aria-label={CARD_WORDS.layers}>
      <h4 className="font-semibold">{CARD_WORDS.layers}</h4>
      <p className="text-sm text-base-content/80">{CARD_WORDS.layersHint}</p>
      <ol className="mt-1 flex flex-col gap-1">
        {layers.map((text, i) => (
          <li
            key={text}
            aria-current={i + 1 === layer ? 'step' : undefined}
            className={`flex items-baseline gap-2 ${i + 1 > layer ? 'text-base-content/80' : ''}`}
          >
            <button
              type="button"
              className={`btn btn-square rounded-full ${i + 1 === pointed ? 'btn-primary' : ''}`}
              aria-label={CARD_WORDS.pointAt(i + 1)}
              aria-pressed={i + 1 === pointed}
              onClick={() => point(i + 1)}
            >
              {i + 1}
            </button>
            <span className={i + 1 === layer ? 'font-semibold' : ''}>
              {text}
              {told[i]?.tells === 'film' && (
                <span className="text-sm text-base-content/80"> ({CARD_WORDS.layerByFilm})</span>
              )}
            </span>
          </li>
        ))}
      </ol>
      {beside && <p className="mt-1 text-sm">{CARD_WORDS.guard(beside)}</p>}
    </section>
  );
}

function Fact({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <div>
      <dt className="font-semibold">{title}</dt>
      <dd className="text-sm">{children}</dd>
    </div>
  );
}
