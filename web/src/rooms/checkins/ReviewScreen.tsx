import { viewOf } from '@inchstep/contract/capture';
import type { Checkin } from '@inchstep/contract/checkins';
import type { Student } from '@inchstep/contract/intake';
import { useState } from 'react';
import { Link, useNavigate, useOutletContext, useParams } from 'react-router';
import { toast } from 'sonner';
import { isText, useDraft } from '../../platform/drafts.ts';
import { newId, useSteadyId } from '../../platform/ids.ts';
import { dayText, Empty, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useUnits } from '../../platform/units.ts';
import { useMade, useNewSwing, useSwings } from '../capture/index.ts';
import { useHold, useLiftHold } from '../intake/index.ts';
import { GateDecision, useGates } from '../practice/index.ts';
import { useCheckins, useProposedReply, useSendReply } from './queries.ts';
import { RequestPanel } from './RequestPanel.tsx';
import { StudentLinkPanel } from './StudentLinkPanel.tsx';
import { ThenAndNow } from './ThenAndNow.tsx';
import { REVIEW_SCREEN_WORDS } from './words.ts';

/** A check-in beside what went before, and the answer to it. */
export function ReviewScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const { checkinId } = useParams();
  const checkins = useCheckins(student.id);
  const me = useMe();
  return (
    <Shown query={checkins} what={REVIEW_SCREEN_WORDS.theCheckins}>
      {(all) => {
        const chosen = all.find((c) => c.id === checkinId) ?? all[0];
        return (
          <div className="mx-auto grid max-w-[80rem] gap-4 p-4 lg:grid-cols-[1fr_26rem]">
            <div className="flex min-w-0 flex-col gap-3">
              {chosen ? (
                <Review key={chosen.id} student={student} checkin={chosen} />
              ) : (
                <Empty title={REVIEW_SCREEN_WORDS.noCheckInYet}>{REVIEW_SCREEN_WORDS.giveTheStudent}</Empty>
              )}
              <RequestPanel studentId={student.id} today={me.data?.today ?? ''} />
            </div>
            <div className="flex flex-col gap-3">
              {chosen && <Answer key={chosen.id} student={student} checkin={chosen} />}
              <StudentLinkPanel studentId={student.id} />
              <Earlier student={student} all={all} chosen={chosen?.id} />
            </div>
          </div>
        );
      }}
    </Shown>
  );
}

function Review({ student, checkin }: { readonly student: Student; readonly checkin: Checkin }) {
  const swings = useSwings(student.id);
  const create = useNewSwing(student.id);
  const navigate = useNavigate();
  const me = useMe();
  const today = me.data?.today ?? '';
  const [which, setWhich] = useState(0);
  const clip = checkin.clips[which];
  const [made] = useMade(student.id, clip?.recordedOn ?? '');
  const onBench = (swings.data ?? []).find((s) => s.views.some((v) => v.clipId === clip?.id));
  const toBench = () => {
    if (!clip) return;
    if (onBench) return void navigate(`/students/${student.id}/bench/${onBench.id}`);
    const id = newId();
    create.mutate(
      { id, recordedOn: clip.recordedOn, ...made, views: [viewOf(clip)], marks: [] },
      { onSuccess: () => void navigate(`/students/${student.id}/bench/${id}`) },
    );
  };
  return (
    <div className="flex flex-col gap-3">
      <Panel title={REVIEW_SCREEN_WORDS.checkinOf(dayText(checkin.at, today))}>
        {checkin.pain && (
          <p className="mb-2 font-semibold text-error">
            {REVIEW_SCREEN_WORDS.pain} {checkin.painWhere || REVIEW_SCREEN_WORDS.placeNotSaid}
            {REVIEW_SCREEN_WORDS.allDrillsAre}
          </p>
        )}
        <blockquote className="border-l-4 border-base-300 pl-3 text-lg">
          {checkin.note || REVIEW_SCREEN_WORDS.noWords}
        </blockquote>
        {checkin.felt !== null && <p className="mt-1 text-sm">{REVIEW_SCREEN_WORDS.feltOut(checkin.felt)}</p>}
      </Panel>
      {clip && swings.data ? (
        <Panel
          title={REVIEW_SCREEN_WORDS.thenAndNow}
          aside={
            <span className="flex flex-wrap gap-2">
              {checkin.clips.map((c, i) => (
                <button
                  key={c.id}
                  type="button"
                  className={`btn btn-sm h-11 ${i === which ? 'btn-primary' : ''}`}
                  onClick={() => setWhich(i)}
                >
                  {REVIEW_SCREEN_WORDS.clip(i + 1)}
                </button>
              ))}
              <button type="button" className="btn" onClick={toBench} disabled={create.isPending}>
                {REVIEW_SCREEN_WORDS.measure}
              </button>
            </span>
          }
        >
          <ThenAndNow
            key={clip.id}
            now={clip}
            nowTimes={onBench?.views.find((v) => v.clipId === clip.id)?.stationTimes ?? {}}
            swings={swings.data}
            today={today}
          />
        </Panel>
      ) : (
        <p className="panel p-3">{REVIEW_SCREEN_WORDS.noClipCame}</p>
      )}
    </div>
  );
}

function Answer({ student, checkin }: { readonly student: Student; readonly checkin: Checkin }) {
  const gates = useGates(student.id);
  const state = gates.data?.[0];
  return (
    <>
      <HoldPanel studentId={student.id} />
      {state && (
        <Panel title={REVIEW_SCREEN_WORDS.gate}>
          <GateDecision studentId={student.id} state={state} />
        </Panel>
      )}
      {checkin.reply ? (
        <Panel title={REVIEW_SCREEN_WORDS.yourReply}>
          <p className="whitespace-pre-wrap">{checkin.reply.text}</p>
        </Panel>
      ) : (
        <ReplyForm student={student} checkin={checkin} />
      )}
    </>
  );
}

function ReplyForm({ student, checkin }: { readonly student: Student; readonly checkin: Checkin }) {
  const { lengths } = useUnits();
  const draft = useProposedReply(checkin.id, lengths);
  const send = useSendReply(student.id);
  const id = useSteadyId();
  const [text, setText] = useDraft(`reply.${checkin.id}`, isText);
  return (
    <Panel title={REVIEW_SCREEN_WORDS.reply}>
      <Shown query={draft} what={REVIEW_SCREEN_WORDS.theDraft}>
        {(d) => (
          <form
            onSubmit={(event) => {
              event.preventDefault();
              send.mutate(
                { checkinId: checkin.id, id: id.current(), text: text ?? d.text },
                {
                  onSuccess: () => {
                    setText(null);
                    toast(REVIEW_SCREEN_WORDS.sentToTheStudents);
                  },
                },
              );
            }}
            className="flex flex-col gap-2"
          >
            <p className="text-sm text-base-content/80">{REVIEW_SCREEN_WORDS.draftedFromWhat}</p>
            <textarea
              aria-label={REVIEW_SCREEN_WORDS.reply}
              className="textarea min-h-56 w-full"
              value={text ?? d.text}
              onChange={(e) => setText(e.target.value)}
            />
            <button
              type="submit"
              className="btn btn-primary"
              disabled={send.isPending || (text ?? d.text).trim() === ''}
            >
              {REVIEW_SCREEN_WORDS.send}
            </button>
            {send.error && <Failed error={send.error} />}
          </form>
        )}
      </Shown>
    </Panel>
  );
}

function HoldPanel({ studentId }: { readonly studentId: string }) {
  const hold = useHold(studentId);
  const lift = useLiftHold(studentId);
  const [note, setNote] = useState('');
  if (!hold.data) return null;
  return (
    <Panel title={REVIEW_SCREEN_WORDS.onHoldPain} className="border-error">
      <p>
        {hold.data.where || REVIEW_SCREEN_WORDS.noPlace} {REVIEW_SCREEN_WORDS.drillsWaitTheProgram}
      </p>
      <form
        className="mt-2 flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          lift.mutate(note);
        }}
      >
        <input
          aria-label={REVIEW_SCREEN_WORDS.whyTheHold}
          placeholder={REVIEW_SCREEN_WORDS.whyTheHold}
          className="input min-w-0 flex-1"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          required
          minLength={3}
        />
        <button type="submit" className="btn">
          {REVIEW_SCREEN_WORDS.lift}
        </button>
      </form>
      {lift.error && <Failed error={lift.error} />}
    </Panel>
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
