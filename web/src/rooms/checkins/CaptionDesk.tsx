import type { TalkDocument } from '@inchstep/contract/checkins';
import { withCaption } from '@inchstep/core/checkins';
import { useState } from 'react';
import { toast } from 'sonner';
import { Failed, Loading } from '../../platform/parts.tsx';
import { type EnclosedAt, useCaptions, useSaid } from './enclosedQueries.ts';
import { TalkPlayer } from './TalkPlayer.tsx';
import { clockText } from './talkTime.ts';
import { ENCLOSED_WORDS, TALK_WORDS } from './words.enclosed.ts';

/** A talk to listen to once more, with captions typed where it stands. */
export function CaptionDesk({ id, at }: { readonly id: string; readonly at: EnclosedAt }) {
  const said = useSaid(id, at);
  if (said.error) return <Failed error={said.error} again={() => void said.refetch()} />;
  if (!said.data) return <Loading what={ENCLOSED_WORDS.loading} />;
  return <Desk id={id} at={at} talk={said.data} />;
}

function Desk({
  id,
  at,
  talk,
}: {
  readonly id: string;
  readonly at: EnclosedAt;
  readonly talk: TalkDocument;
}) {
  const [captions, setCaptions] = useState(talk.captions);
  const keep = useCaptions(id, at);
  const changed = JSON.stringify(captions) !== JSON.stringify(talk.captions);
  return (
    <TalkPlayer talk={{ ...talk, captions }} voice={at.file(id)} clip={at.clip}>
      {(ms) => (
        <form
          className="flex flex-col gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const whole = captions.filter(({ text }) => text.trim() !== '');
            void keep.mutateAsync(whole).then(
              () => toast(TALK_WORDS.kept),
              () => undefined,
            );
          }}
        >
          <p className="text-sm">{TALK_WORDS.captionHint}</p>
          {captions.map((one) => (
            <span key={one.at} className="flex items-center gap-2">
              <span className="w-12 shrink-0 tabular-nums">{clockText(one.at)}</span>
              <input
                className="input min-h-11 flex-1"
                aria-label={TALK_WORDS.captionAt(clockText(one.at))}
                maxLength={300}
                value={one.text}
                onChange={(event) =>
                  setCaptions(withCaption(captions, { at: one.at, text: event.target.value }))
                }
              />
              <button
                type="button"
                className="btn"
                onClick={() => setCaptions(captions.filter(({ at: other }) => other !== one.at))}
              >
                {TALK_WORDS.remove}
              </button>
            </span>
          ))}
          <span className="flex flex-wrap gap-2">
            <button
              type="button"
              className="btn"
              onClick={() => setCaptions(withCaption(captions, { at: Math.round(ms), text: '' }))}
            >
              {TALK_WORDS.captionNow(clockText(ms))}
            </button>
            <button type="submit" className="btn" disabled={!changed || keep.isPending}>
              {TALK_WORDS.keep}
            </button>
          </span>
          {keep.error && <Failed error={keep.error} />}
        </form>
      )}
    </TalkPlayer>
  );
}
