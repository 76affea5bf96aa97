import type { NewFilmRequest } from '@inchstep/contract/checkins';
import { askText, dateText } from '@inchstep/contract/words';
import type { FilmAsk } from '@inchstep/core/checkins';
import { useState } from 'react';
import { useSteadyId } from '../../platform/ids.ts';
import { useLibrary } from '../prescription/index.ts';
import { AskFields } from './AskFields.tsx';
import { useFilmRequests } from './queries.ts';
import { ALONG_WORDS } from './words.review.ts';

/** What goes along with the summary: the next clips, as the rung and the plan propose them, unless they are left out. */
export function useAskNext(studentId: string) {
  const known = useFilmRequests(studentId);
  const [changed, setChanged] = useState<FilmAsk | null>(null);
  const [wanted, setWanted] = useState(true);
  const id = useSteadyId();
  const ask = changed ?? known.data?.next ?? null;
  const request: NewFilmRequest | null =
    wanted && ask ? { ...ask, kinds: [...ask.kinds], id: id.current(), byMail: false } : null;
  return { ask, wanted, request, setAsk: setChanged, setWanted };
}

export function AskNext({
  asking: { ask, wanted, setAsk, setWanted },
  today,
}: {
  readonly asking: ReturnType<typeof useAskNext>;
  readonly today: string;
}) {
  const { nameOf } = useLibrary();
  if (!ask) return null;
  return (
    <div className="mt-2 rounded border-[1.5px] border-base-300 p-2">
      <label className="flex min-h-11 items-center gap-2 font-semibold">
        <input
          type="checkbox"
          className="checkbox"
          checked={wanted}
          onChange={(e) => setWanted(e.target.checked)}
        />
        {ALONG_WORDS.askNext(askText(ask, nameOf))}
      </label>
      {wanted && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2">
            {ALONG_WORDS.change(dateText(ask.dueOn))}
          </summary>
          <AskFields ask={ask} today={today} onChange={setAsk} />
        </details>
      )}
    </div>
  );
}
