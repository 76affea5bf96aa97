import type { Review } from '@inchstep/contract/checkins';
import { askText, measureName, STRIKE_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import type { MovedMeasure } from '@inchstep/core/checkins';
import { Z95 } from '@inchstep/core/foundation';
import type { ReactNode } from 'react';
import { fullDay } from '../../platform/dates.ts';
import { useUnits } from '../../platform/units.ts';
import { useLibrary } from '../prescription/index.ts';
import { FACTS_WORDS } from './words.review.ts';

/** What changed, what was practised, how the ball was met, and what was asked: the facts behind the draft. */
export function ReviewFacts({ review }: { readonly review: Review }) {
  const { facts, felt, strikes, asked } = review;
  const { practised } = facts;
  return (
    <div className="grid gap-x-4 gap-y-1 text-sm sm:grid-cols-[1.6fr_1fr_1fr_1.2fr]">
      <Fact title={FACTS_WORDS.moved}>
        <Moved facts={facts} />
      </Fact>
      <Fact title={FACTS_WORDS.practised}>
        <p>{FACTS_WORDS.reps(practised.repsDone, practised.repsPlanned)}</p>
        {practised.since && <p>{FACTS_WORDS.since(fullDay(practised.since))}</p>}
        {practised.repsDone > 0 && <p>{FACTS_WORDS.loggedBy(practised.repsDone, practised.byCoach)}</p>}
        {practised.passRate !== null && <p>{FACTS_WORDS.passed(Math.round(100 * practised.passRate))}</p>}
        {felt !== null && <p>{FACTS_WORDS.felt(felt)}</p>}
        {facts.felt && <Felt felt={facts.felt} />}
      </Fact>
      <Fact title={FACTS_WORDS.ball}>
        {strikes.length === 0 && <p>{FACTS_WORDS.noBall}</p>}
        {strikes.map(({ strike, count }) => (
          <p key={strike}>
            {STRIKE_WORDS[strike].toLowerCase()} {count}
          </p>
        ))}
      </Fact>
      <Fact title={FACTS_WORDS.asked}>
        <Asked asked={asked} />
      </Fact>
    </div>
  );
}

function Fact({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title} className="border-base-300 border-t pt-1">
      <h3 className="font-semibold">{title}</h3>
      {children}
    </section>
  );
}

function Moved({ facts: { better, worse, atEdge, film } }: { readonly facts: Review['facts'] }) {
  if (better.length + worse.length + atEdge.length === 0) return <p>{FACTS_WORDS.nothing[film]}</p>;
  return (
    <>
      {better.map((moved) => (
        <Move key={moved.id} moved={moved} way={FACTS_WORDS.better} />
      ))}
      {worse.map((moved) => (
        <Move key={moved.id} moved={moved} way={FACTS_WORDS.worse} />
      ))}
      {atEdge.map((id) => (
        <p key={id} className="font-semibold">
          {FACTS_WORDS.edge(measureName(id))}
        </p>
      ))}
    </>
  );
}

function Move({ moved, way }: { readonly moved: MovedMeasure; readonly way: string }) {
  const { value } = useUnits();
  const unit = moved.unit === 'clock' ? 'ratio' : moved.unit;
  const sure = moved.verdict === 'real' ? FACTS_WORDS.real : FACTS_WORDS.maybe;
  return (
    <p>
      {measureName(moved.id)}{' '}
      <span className="font-semibold">
        {sure} {way}
      </span>
      : {FACTS_WORDS.thenNow(value(moved.before, unit), value(moved.after, unit))}
    </p>
  );
}

/** What it felt like beside what it was. */
function Felt({
  felt: { measure, felt, unit, measured },
}: {
  readonly felt: NonNullable<Review['facts']['felt']>;
}) {
  const { value } = useUnits();
  const said = felt === 0 ? FACTS_WORDS.still : value(felt, unit);
  const was = measured && `${value(measured.value, unit)} ± ${value(Z95 * measured.sd, unit)}`;
  return <p>{FACTS_WORDS.feltOf(measureName(measure), said, was)}</p>;
}

function Asked({ asked }: { readonly asked: Review['asked'] }) {
  const { nameOf } = useLibrary();
  if (!asked) return <p>{FACTS_WORDS.nothingAsked}</p>;
  const views = asked.missing.map((kind) => VIEW_WORDS[kind]?.toLowerCase() ?? kind).join(', ');
  return (
    <p>
      {askText(asked, nameOf)}:{' '}
      <span className="font-semibold">
        {asked.missing.length === 0 ? FACTS_WORDS.came : FACTS_WORDS.missing(views)}
      </span>
    </p>
  );
}
