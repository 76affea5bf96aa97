import type { StudentPage } from '@inchstep/contract/checkins';
import { useState } from 'react';
import { dayText, Failed, Loading } from '../../platform/parts.tsx';
import { PageEnclosed } from './PageEnclosed.tsx';
import { pageClipUrl, usePageConversation } from './queries.ts';
import { ALL_SAID_WORDS } from './words.page.ts';

/** All that student and coach said to each other, for who wants to read it again; asked for when it is opened. */
export function AllSaid({ token, page }: { readonly token: string; readonly page: StudentPage }) {
  const [open, setOpen] = useState(false);
  const talk = usePageConversation(token, open);
  const clipsOf = new Map(page.checkins.map(({ id, clips }) => [id, clips]));
  if (page.checkins.length === 0 && page.word === null) return null;
  return (
    <details className="panel p-4" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold text-xl">{ALL_SAID_WORDS.title}</summary>
      {open && talk.isPending && <Loading what={ALL_SAID_WORDS.what} />}
      {talk.error && <Failed error={talk.error} again={() => void talk.refetch()} />}
      <ol className="flex flex-col gap-2">
        {talk.data?.map((one) => (
          <li
            key={one.id}
            className={one.by === 'coach' ? '' : 'border-[var(--tape-ink)] border-l-[6px] pl-3'}
          >
            <p className="text-sm">
              <span className="font-semibold">
                {one.by === 'coach' ? page.coach.split(' ')[0] : ALL_SAID_WORDS.you}
              </span>
              , {dayText(one.at, page.today)}
            </p>
            <p className="whitespace-pre-wrap">{one.text}</p>
            <PageEnclosed token={token} enclosures={one.enclosures} />
            {one.as === 'checkin' &&
              clipsOf.get(one.id)?.map((clip) => (
                // biome-ignore lint/a11y/useMediaCaption: a silent swing has no words to caption
                <video
                  key={clip.id}
                  className="mt-1 max-h-64 rounded"
                  controls
                  preload="none"
                  src={pageClipUrl(token, clip.id)}
                />
              ))}
          </li>
        ))}
      </ol>
    </details>
  );
}
