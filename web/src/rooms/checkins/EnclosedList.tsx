import type { Enclosure } from '@inchstep/contract/checkins';
import { useState } from 'react';
import { toast } from 'sonner';
import { CaptionDesk } from './CaptionDesk.tsx';
import { Enclosed } from './Enclosed.tsx';
import { COACH_ENCLOSED, useDropEnclosure } from './enclosedQueries.ts';
import { clockText } from './talkTime.ts';
import { ALONG_STAGE_WORDS, ENCLOSED_WORDS } from './words.enclosed.ts';

/** What goes along with an answer, to look at, to caption and to leave out while it has not gone. */
export function EnclosedList({
  studentId,
  enclosures,
  open,
}: {
  readonly studentId: string;
  readonly enclosures: readonly Enclosure[];
  readonly open: boolean;
}) {
  if (enclosures.length === 0) return null;
  return (
    <ul aria-label={ALONG_STAGE_WORDS.title} className="flex flex-col">
      {enclosures.map((one) => (
        <Item key={one.id} studentId={studentId} one={one} open={open} />
      ))}
    </ul>
  );
}

function Item({
  studentId,
  one,
  open,
}: {
  readonly studentId: string;
  readonly one: Enclosure;
  readonly open: boolean;
}) {
  const [shown, setShown] = useState(false);
  const drop = useDropEnclosure(studentId);
  const leaveOut = () =>
    void drop.mutateAsync({ id: one.id, dropped: true }).then(
      () =>
        toast(ENCLOSED_WORDS.left, {
          action: {
            label: ENCLOSED_WORDS.putBack,
            onClick: () => drop.mutate({ id: one.id, dropped: false }),
          },
        }),
      () => undefined,
    );
  return (
    <li className="border-base-300 border-t py-1">
      <div className="flex flex-wrap items-center gap-2">
        <span className="font-semibold">{ENCLOSED_WORDS.kinds[one.kind]}</span>
        <span className="flex-1">
          {one.kind === 'talk' && one.seconds !== null ? clockText(1000 * one.seconds) : one.title},{' '}
          {ENCLOSED_WORDS.size(Math.ceil(one.bytes / 1000))}
        </span>
        <button type="button" aria-expanded={shown} className="btn" onClick={() => setShown(!shown)}>
          {ENCLOSED_WORDS.look}
        </button>
        {open && (
          <button type="button" className="btn" onClick={leaveOut}>
            {ENCLOSED_WORDS.leaveOut}
          </button>
        )}
      </div>
      {shown && one.kind === 'talk' && open && <CaptionDesk id={one.id} at={COACH_ENCLOSED} />}
      {shown && (one.kind !== 'talk' || !open) && <Enclosed one={one} at={COACH_ENCLOSED} />}
    </li>
  );
}
