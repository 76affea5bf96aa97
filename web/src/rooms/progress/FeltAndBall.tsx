import type { MeasureStory } from '@inchstep/contract/progress';
import { measureName, SHOT_WORDS } from '@inchstep/contract/words';
import { dayText, Panel } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { TwoTapes } from './TwoTapes.tsx';
import { BALL_WORDS, FELT_WORDS } from './words.belief.ts';

/** What it felt like beside what it was. */
export function Felt({ story: { felt, band } }: { readonly story: MeasureStory }) {
  const { value } = useUnits();
  const text = (of: number) => value(of, band.unit);
  return (
    <Panel title={FELT_WORDS.title}>
      {felt === null ? (
        <p>{FELT_WORDS.none}</p>
      ) : (
        <>
          <p className="text-lg">{FELT_WORDS.per(felt.per.toFixed(1))}</p>
          <TwoTapes
            top={{ name: FELT_WORDS.felt, text, from: 0, least: band.step }}
            bottom={{ name: FELT_WORDS.measured, text, from: 0, least: band.step }}
            threads={[...felt.answers]
              .reverse()
              .map((one) => ({ key: `${one.at} ${one.felt}`, top: one.felt, bottom: one.measured }))}
            sameScale
            label={[...felt.answers]
              .reverse()
              .map((one) => FELT_WORDS.answer(text(one.felt), text(one.measured)))
              .join(FELT_WORDS.between)}
          />
          <p className="text-sm text-base-content/80">
            {FELT_WORDS.stands(
              felt.lo95.toFixed(1),
              felt.hi95.toFixed(1),
              felt.answers.length,
              felt.nothingFelt,
            )}
          </p>
        </>
      )}
    </Panel>
  );
}

/** Of a ball's quantities so much is shown at least, by unit. */
const LEAST_FLIGHT: Readonly<Record<string, number>> = { in: 1, deg: 4 };

/** Where the ball went on the days on which the body was filmed. */
export function Ball({
  story: { ball, band, measure },
  today,
}: {
  readonly story: MeasureStory;
  readonly today: string;
}) {
  const { value } = useUnits();
  return (
    <div className="md:col-span-2">
      <Panel title={BALL_WORDS.title}>
        {ball.length === 0 ? (
          <p>{BALL_WORDS.none}</p>
        ) : (
          <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
            {ball.map(({ field, unit, days, shots, went }) => {
              const name = SHOT_WORDS[field].name;
              const [body, flight] = [(of: number) => value(of, band.unit), (of: number) => value(of, unit)];
              return (
                <div key={field}>
                  <p className="font-semibold">{BALL_WORDS.went[went](name)}</p>
                  <TwoTapes
                    top={{ name: measureName(measure), text: body, least: band.step }}
                    bottom={{ name, text: flight, least: LEAST_FLIGHT[unit] ?? 1 }}
                    threads={days.map((day) => ({ key: day.date, top: day.body, bottom: day.ball }))}
                    label={days
                      .map((day) =>
                        BALL_WORDS.day(dayText(day.date, today), body(day.body), flight(day.ball)),
                      )
                      .join(BALL_WORDS.between)}
                  />
                  <p className="text-sm text-base-content/80">{BALL_WORDS.counted(shots, days.length)}</p>
                </div>
              );
            })}
            <p className="text-sm text-base-content/80 sm:col-span-2">{BALL_WORDS.how}</p>
          </div>
        )}
      </Panel>
    </div>
  );
}
