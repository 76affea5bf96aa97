import type { FilmRequestSeen } from '@inchstep/contract/checkins';
import { askText, VIEW_WORDS } from '@inchstep/contract/words';
import type { FilmAsk } from '@inchstep/core/checkins';
import { useState } from 'react';
import { toast } from 'sonner';
import { dayText, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useLibraryWords } from '../prescription/index.ts';
import { AskFields } from './AskFields.tsx';
import { useAskForClips, useFilmRequests, useWithdrawRequest } from './queries.ts';
import { REQUEST_PANEL_WORDS } from './words.ts';

const SHOWN = 4;

/** What the student was asked to film, where it stands, and the next one, drafted from the rung and the plan. */
export function RequestPanel({
  studentId,
  today,
  mails,
}: {
  readonly studentId: string;
  readonly today: string;
  /** Whether the student has agreed to letters by mail. */
  readonly mails: boolean;
}) {
  const known = useFilmRequests(studentId);
  return (
    <Panel title={REQUEST_PANEL_WORDS.title}>
      <Shown query={known} what={REQUEST_PANEL_WORDS.what}>
        {({ requests, next }) => (
          <>
            <ul className="flex flex-col">
              {requests.slice(0, SHOWN).map((request) => (
                <Asked key={request.id} studentId={studentId} request={request} today={today} />
              ))}
            </ul>
            <AskNew
              key={requests[0]?.id ?? 'first'}
              studentId={studentId}
              next={next}
              today={today}
              mails={mails}
            />
          </>
        )}
      </Shown>
    </Panel>
  );
}

function Asked({
  studentId,
  request,
  today,
}: {
  readonly studentId: string;
  readonly request: FilmRequestSeen;
  readonly today: string;
}) {
  const withdraw = useWithdrawRequest(studentId);
  const { nameOf } = useLibraryWords();
  const { id, state, dueOn, missing } = request;
  const set = (withdrawn: boolean) => withdraw.mutateAsync({ id, withdrawn });
  const takeBack = () =>
    void set(true).then(
      () =>
        toast(REQUEST_PANEL_WORDS.takenBack, {
          action: { label: REQUEST_PANEL_WORDS.undo, onClick: () => void set(false) },
        }),
      () => undefined,
    );
  const waits = state === 'open' || state === 'overdue';
  const views = missing.map((kind) => VIEW_WORDS[kind]?.toLowerCase() ?? kind).join(', ');
  return (
    <li className="flex items-center gap-3 border-base-300 border-t py-2 first:border-t-0">
      <span className="flex-1">
        {askText(request, nameOf)}
        <span className={`block text-sm ${state === 'overdue' ? 'font-semibold' : 'text-base-content/80'}`}>
          {REQUEST_PANEL_WORDS.from[request.from]}
          {REQUEST_PANEL_WORDS.state[state](dayText(dueOn, today))}
          {waits && missing.length < request.kinds.length && ` ${REQUEST_PANEL_WORDS.missing(views)}`}
        </span>
      </span>
      {waits && (
        <button type="button" className="btn" onClick={takeBack} disabled={withdraw.isPending}>
          {REQUEST_PANEL_WORDS.takeBack}
        </button>
      )}
      {withdraw.error && <Failed error={withdraw.error} />}
    </li>
  );
}

function AskNew({
  studentId,
  next,
  today,
  mails,
}: {
  readonly studentId: string;
  readonly next: FilmAsk;
  readonly today: string;
  readonly mails: boolean;
}) {
  const [byMail, setByMail] = useState(mails);
  const [ask, setAsk] = useState(next);
  const send = useAskForClips(studentId);
  const { nameOf } = useLibraryWords();
  const post = () =>
    void send.mutateAsync({ ...ask, kinds: [...ask.kinds], byMail: mails && byMail }).then(
      () => toast(REQUEST_PANEL_WORDS.asked),
      () => undefined,
    );
  return (
    <div className="mt-2 flex flex-col gap-2">
      <p className="font-semibold">{REQUEST_PANEL_WORDS.next(askText(ask, nameOf))}</p>
      <AskFields ask={ask} today={today} onChange={setAsk} />
      {mails && (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={byMail}
            onChange={(event) => setByMail(event.target.checked)}
          />
          {REQUEST_PANEL_WORDS.byMail}
        </label>
      )}
      <button type="button" className="btn btn-primary self-start" onClick={post} disabled={send.isPending}>
        {REQUEST_PANEL_WORDS.ask}
      </button>
      {send.error && <Failed error={send.error} />}
    </div>
  );
}
