import type { Swing } from '@inchstep/contract/capture';
import type { Checkin } from '@inchstep/contract/checkins';
import type { Student } from '@inchstep/contract/intake';
import { viewsToLook } from '@inchstep/core/capture';
import { mailAddress } from '@inchstep/core/intake';
import { useState } from 'react';
import { Link, useNavigate, useOutletContext, useParams } from 'react-router';
import { useScreenKeys } from '../../platform/keys.ts';
import { dayText, Empty, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useUnits } from '../../platform/units.ts';
import { useLookNow, useSwings } from '../capture/index.ts';
import { SwingPair } from '../measures/index.ts';
import { GateDecision, useGates } from '../practice/index.ts';
import { Along } from './Along.tsx';
import { AnswerPress } from './AnswerPress.tsx';
import { Conversation } from './Conversation.tsx';
import { EnclosedList } from './EnclosedList.tsx';
import { useCheckins, useNextInQueue, useReview } from './queries.ts';
import { RequestPanel } from './RequestPanel.tsx';
import { ReviewFacts } from './ReviewFacts.tsx';
import { StudentLinkPanel } from './StudentLinkPanel.tsx';
import { FACTS_WORDS } from './words.review.ts';
import { REVIEW_SCREEN_WORDS } from './words.ts';

/** A check-in on one screen: what was said, then and now, what changed, and the answer to it in one press. */
export function ReviewScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const { checkinId } = useParams();
  const checkins = useCheckins(student.id);
  const me = useMe();
  const today = me.data?.today ?? '';
  return (
    <Shown query={checkins} what={REVIEW_SCREEN_WORDS.theCheckins}>
      {(all) => {
        const chosen = all.find((c) => c.id === checkinId) ?? all[0];
        return (
          <div className="mx-auto flex max-w-[80rem] flex-col gap-3 p-3">
            {chosen ? (
              <Review key={chosen.id} student={student} checkin={chosen} today={today} />
            ) : (
              <Empty title={REVIEW_SCREEN_WORDS.noCheckInYet}>{REVIEW_SCREEN_WORDS.giveTheStudent}</Empty>
            )}
            <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_26rem]">
              <div className="flex min-w-0 flex-col gap-3">
                <Conversation studentId={student.id} today={today} />
                <RequestPanel
                  studentId={student.id}
                  today={today}
                  mails={mailAddress(student.profile) !== null}
                />
              </div>
              <div className="flex flex-col gap-3">
                <StudentLinkPanel student={student} />
                <Earlier student={student} all={all} chosen={chosen?.id} />
              </div>
            </div>
          </div>
        );
      }}
    </Shown>
  );
}

interface ReviewProps {
  readonly student: Student;
  readonly checkin: Checkin;
  readonly today: string;
}

function Review({ student, checkin, today }: ReviewProps) {
  const { lengths } = useUnits();
  const review = useReview(student.id, checkin.id, lengths);
  const gates = useGates(student.id);
  const state = gates.data?.[0];
  const [making, setMaking] = useState(false);
  useNext(student.id);
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <div className="flex min-w-0 flex-col gap-2">
        <Said checkin={checkin} today={today} />
        <Clips student={student} checkin={checkin} today={today} onMaking={setMaking} />
        <Shown query={review} what={FACTS_WORDS.what}>
          {(found) => <ReviewFacts review={found} />}
        </Shown>
        <EnclosedList studentId={student.id} enclosures={checkin.enclosures} open={checkin.reply === null} />
      </div>
      <div className="flex flex-col gap-3">
        <Shown query={review} what={REVIEW_SCREEN_WORDS.theDraft}>
          {(found) => (
            <AnswerPress student={student} checkin={checkin} review={found} today={today} making={making} />
          )}
        </Shown>
        {state && (
          <Panel title={REVIEW_SCREEN_WORDS.gate}>
            <GateDecision studentId={student.id} state={state} />
          </Panel>
        )}
      </div>
    </div>
  );
}

/** N opens what waits next, whoever it is of. */
function useNext(studentId: string): void {
  const navigate = useNavigate();
  const next = useNextInQueue(studentId);
  useScreenKeys('n', () => void navigate(next ?? '/'), {}, [next]);
}

function Said({ checkin, today }: { readonly checkin: Checkin; readonly today: string }) {
  return (
    <section className="panel p-3" aria-label={REVIEW_SCREEN_WORDS.checkinOf(dayText(checkin.at, today))}>
      <h2 className="font-semibold text-sm">{REVIEW_SCREEN_WORDS.checkinOf(dayText(checkin.at, today))}</h2>
      {checkin.pain && (
        <p className="mb-1 font-semibold text-error">
          {REVIEW_SCREEN_WORDS.pain} {checkin.painWhere || REVIEW_SCREEN_WORDS.placeNotSaid}
          {REVIEW_SCREEN_WORDS.allDrillsAre}
        </p>
      )}
      <blockquote className="border-l-4 border-base-300 pl-3 text-lg leading-snug">
        {checkin.note || REVIEW_SCREEN_WORDS.noWords}
      </blockquote>
      {checkin.felt !== null && <p className="mt-1 text-sm">{REVIEW_SCREEN_WORDS.feltOut(checkin.felt)}</p>}
    </section>
  );
}

/** How far the program is with looking through a clip that nobody has named stations in. */
function Look({ swing }: { readonly swing: Swing }) {
  const look = useLookNow();
  const here = look?.swingId === swing.id ? look : null;
  if (viewsToLook(swing).length === 0) return null;
  return (
    <p role="status" className="flex items-center gap-2 text-sm">
      {here ? REVIEW_SCREEN_WORDS.looks(Math.round(100 * here.share)) : REVIEW_SCREEN_WORDS.willLook}
      {here && (
        <progress
          className="progress w-40"
          value={here.share}
          max={1}
          aria-label={REVIEW_SCREEN_WORDS.lookingThrough}
        />
      )}
    </p>
  );
}

/** The clips that came, each as a swing beside one of before. */
function Clips({
  student,
  checkin,
  today,
  onMaking,
}: ReviewProps & { readonly onMaking: (making: boolean) => void }) {
  const swings = useSwings(student.id);
  const [which, setWhich] = useState(0);
  const [talking, setTalking] = useState(false);
  const clip = checkin.clips[which];
  if (!clip) return <p className="panel p-3">{REVIEW_SCREEN_WORDS.noClipCame}</p>;
  return (
    <Shown query={swings} what={REVIEW_SCREEN_WORDS.thenAndNow}>
      {(all) => {
        const swing = all.find((s) => s.views.some((v) => v.clipId === clip.id));
        return (
          <section aria-label={REVIEW_SCREEN_WORDS.thenAndNow} className="flex flex-col gap-1">
            {checkin.clips.length > 1 && (
              <span className="flex flex-wrap gap-1">
                {checkin.clips.map((c, i) => (
                  <button
                    key={c.id}
                    type="button"
                    aria-pressed={i === which}
                    disabled={talking}
                    className={`btn btn-sm h-11 ${i === which ? 'btn-primary' : ''}`}
                    onClick={() => setWhich(i)}
                  >
                    {REVIEW_SCREEN_WORDS.clip(i + 1)}
                  </button>
                ))}
              </span>
            )}
            {swing ? (
              <>
                <Look swing={swing} />
                <SwingPair
                  key={swing.id}
                  student={student}
                  now={swing}
                  swings={all}
                  today={today}
                  held={talking}
                >
                  {(stage) => (
                    <Along checkin={checkin} stage={stage} onTalking={setTalking} onMaking={onMaking} />
                  )}
                </SwingPair>
              </>
            ) : (
              <p className="panel p-3">{REVIEW_SCREEN_WORDS.notOnTheBench}</p>
            )}
          </section>
        );
      }}
    </Shown>
  );
}

function Earlier({
  student,
  all,
  chosen,
}: {
  readonly student: Student;
  readonly all: readonly Checkin[];
  readonly chosen: string | undefined;
}) {
  const me = useMe();
  if (all.length < 2) return null;
  return (
    <Panel title={REVIEW_SCREEN_WORDS.allCheckIns}>
      <ul>
        {all.map((c) => (
          <li key={c.id}>
            <Link
              to={`/students/${student.id}/checkins/${c.id}`}
              aria-current={c.id === chosen ? 'page' : undefined}
              className="flex min-h-11 items-center gap-2 hover:underline aria-[current]:font-semibold"
            >
              {dayText(c.at, me.data?.today ?? '')} {c.pain ? REVIEW_SCREEN_WORDS.withPain : ''}{' '}
              {c.reply ? '' : REVIEW_SCREEN_WORDS.open}
            </Link>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
