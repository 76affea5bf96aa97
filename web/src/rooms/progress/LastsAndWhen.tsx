import type { MeasureStory } from '@inchstep/contract/progress';
import { Z80 } from '@inchstep/core/foundation';
import { dayText, Panel } from '../../platform/parts.tsx';
import { ToldDates } from './ToldDates.tsx';
import { BELIEF_WORDS, LASTS_WORDS, WHEN_WORDS } from './words.belief.ts';

type Forecasts = MeasureStory['forecast']['done'];

/** From this probability on nobody waits for it any more; the edge that "owned" has, too. */
export const PROBABLY_IN = 0.8;

/** The dates by which it should be in band and owned, under what was planned and under what is really done. */
export function When({ story, today }: { readonly story: MeasureStory; readonly today: string }) {
  const { done, planned } = story.forecast;
  const rows: [string, Forecasts][] = [
    ...(planned ? [[WHEN_WORDS.planned, planned] as [string, Forecasts]] : []),
    [WHEN_WORDS.done, done],
  ];
  const some = rows.some(([, { inBand, owned }]) => inBand ?? owned);
  const isIn = story.inBand >= PROBABLY_IN;
  const date = (of: Forecasts['inBand']) =>
    of === null
      ? WHEN_WORDS.noTrend
      : of.likely <= today
        ? WHEN_WORDS.now
        : WHEN_WORDS.is(dayText(of.likely, today), dayText(of.lo80, today), dayText(of.hi80, today));
  return (
    <Panel title={WHEN_WORDS.title}>
      {isIn ? (
        <p className="text-lg">{WHEN_WORDS.already}</p>
      ) : some ? (
        <dl className="grid gap-x-4 gap-y-1 sm:grid-cols-[auto_1fr]">
          {rows.flatMap(([how, { inBand, owned }]) => [
            <dt key={`in ${how}`} className="font-semibold">
              {WHEN_WORDS.inBand}, {how}
            </dt>,
            <dd key={`in is ${how}`}>{date(inBand)}</dd>,
            <dt key={`owned ${how}`} className="font-semibold">
              {WHEN_WORDS.owned}, {how}
            </dt>,
            <dd key={`owned is ${how}`}>{date(owned)}</dd>,
          ])}
        </dl>
      ) : (
        <>
          <p className="text-lg">{WHEN_WORDS.noTrend}</p>
          <p className="mt-1 text-sm text-base-content/80">{WHEN_WORDS.why}</p>
        </>
      )}
      <ToldDates dates={story.dates} today={today} />
    </Panel>
  );
}

/** What was left of a gain at the next day's first swings, by the length of the gap. */
export function Lasts({ story: { kept } }: { readonly story: MeasureStory }) {
  return (
    <Panel title={LASTS_WORDS.title}>
      {kept.length === 0 ? (
        <p>{LASTS_WORDS.none}</p>
      ) : (
        <dl className="grid gap-x-4 gap-y-1 sm:grid-cols-[auto_1fr]">
          {kept.flatMap(({ upToDays, share, sd, gaps }) => [
            <dt key={`gap ${upToDays}`} className="font-semibold">
              {LASTS_WORDS.gap(upToDays)}
            </dt>,
            <dd key={`kept ${upToDays}`}>
              {LASTS_WORDS.kept(
                BELIEF_WORDS.inHundred(share),
                BELIEF_WORDS.inHundred(share - Z80 * sd),
                BELIEF_WORDS.inHundred(share + Z80 * sd),
                gaps,
              )}
            </dd>,
          ])}
        </dl>
      )}
    </Panel>
  );
}
