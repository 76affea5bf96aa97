import type { Student } from '@inchstep/contract/intake';
import type { PrescriptionRecord } from '@inchstep/contract/prescription';
import { AID_WORDS, BLOCKER_WORDS, measureName, partText } from '@inchstep/contract/words';
import { type AmountBody, amountsFor, type Opening, type Prescribed } from '@inchstep/core/prescription';
import { Empty } from '../../platform/parts.tsx';
import { useLibrary } from './library.tsx';
import { type CardAt, studentCard } from './queries.ts';
import { SetupCard } from './SetupCard.tsx';
import { MATCH_WORDS } from './words.layers.ts';
import { OFFERS_WORDS } from './words.ts';

interface OffersProps {
  readonly student: Student;
  readonly result: PrescriptionRecord['result'];
  readonly picked: readonly string[];
  readonly onFlip: (id: string) => void;
}

const MOST_OFFERED = 4;

/** Drills that pass every rule, the best fit first. */
export function Offers({ student, result, picked, onFlip }: OffersProps) {
  const offers = [...result.drills, ...result.alternatives];
  return (
    <div className="flex flex-col gap-3">
      <Order result={result} />
      {offers.length === 0 && (
        <Empty title={OFFERS_WORDS.noDrillPassesEvery}>
          {OFFERS_WORDS.youCanOverruleAny(openText(result.wouldOpen))}
        </Empty>
      )}
      {offers.slice(0, MOST_OFFERED).map((offer, i) => (
        <Offer
          key={offer.id}
          offer={offer}
          best={i === 0}
          picked={picked.includes(offer.id)}
          onPick={() => onFlip(offer.id)}
          of={studentCard(student.id)}
          heightIn={student.profile.heightIn}
          left={student.profile.handedness === 'left'}
          body={{ student: student.profile, school: student.school }}
        />
      ))}
    </div>
  );
}

/** What stays in use, and what comes before drills of turning through the ball. */
function Order({ result }: Pick<OffersProps, 'result'>) {
  const { nameOf } = useLibrary();
  const names = result.beside.map(nameOf).join(', ');
  return (
    <>
      {result.firstThings.map(({ blocker, start }) => (
        <p key={blocker} role="note" className="panel border-warning p-3 font-semibold">
          {BLOCKER_WORDS[blocker]} {start && MATCH_WORDS.start(nameOf(start))}
        </p>
      ))}
      {result.beside.length > 0 && (
        <p role="note" className="panel p-3">
          {result.drills.length === 0 ? MATCH_WORDS.full(names) : MATCH_WORDS.beside(names)}
        </p>
      )}
    </>
  );
}

/** Which aid would open most, else where to look. */
function openText(openings: readonly Opening[]): string {
  const [best] = openings;
  if (!best) return OFFERS_WORDS.lookAtTheReasons;
  const drills = best.drills.length === 1 ? OFFERS_WORDS.oneDrill : OFFERS_WORDS.drills(best.drills.length);
  return OFFERS_WORDS.whatIsMissing(AID_WORDS[best.aid], drills);
}

function Offer({
  offer,
  best,
  picked,
  onPick,
  of,
  heightIn,
  left,
  body,
}: {
  readonly offer: Prescribed;
  readonly best: boolean;
  readonly picked: boolean;
  readonly onPick: () => void;
  readonly of: CardAt;
  readonly heightIn: number;
  readonly left: boolean;
  readonly body: AmountBody;
}) {
  const { nameOf, wordsOf, byId } = useLibrary();
  const drill = byId(offer.id);
  return (
    <article
      className={`panel p-4 ${picked ? 'border-[3px] border-primary' : ''}`}
      data-testid={`drill-${offer.id}`}
    >
      <header className="flex flex-wrap items-center gap-x-3">
        <h3 className="text-xl">{nameOf(offer.id)}</h3>
        <span className="text-sm text-base-content/80">{OFFERS_WORDS.fit(offer.score.toFixed(1))}</span>
        <button
          type="button"
          aria-pressed={picked}
          className={`btn ml-auto ${picked ? 'btn-primary' : ''}`}
          onClick={onPick}
        >
          {picked ? OFFERS_WORDS.chosen : OFFERS_WORDS.choose}
        </button>
      </header>
      <ul className="mt-1 mb-3 flex flex-wrap gap-x-4 text-sm text-base-content/80">
        {offer.parts.map((part) => (
          <li key={part.code + part.about}>
            {part.points > 0 ? '+' : '−'}
            {Math.abs(part.points).toFixed(1)} {partText(part)}
          </li>
        ))}
      </ul>
      {best || picked ? (
        <SetupCard
          drill={offer.id}
          setup={offer.setup}
          cautions={offer.cautions}
          of={of}
          heightIn={heightIn}
          left={left}
          layers={drill?.layers ?? []}
          guard={drill?.guard ?? null}
          amounts={drill ? amountsFor(drill, body) : []}
        />
      ) : (
        <p>{wordsOf(offer.id)?.purpose}</p>
      )}
      {offer.watch.length > 0 && (
        <p className="mt-2 text-sm">
          {OFFERS_WORDS.watchForTooMuch(offer.watch.map(measureName).join(', '))}
        </p>
      )}
    </article>
  );
}
