import type { Enclosure } from '@inchstep/contract/checkins';
import { Loading } from '../../platform/parts.tsx';
import { type EnclosedAt, useSaid } from './enclosedQueries.ts';
import { TalkPlayer } from './TalkPlayer.tsx';
import { ENCLOSED_WORDS } from './words.enclosed.ts';

/** One thing that goes along with an answer, as whoever gets it sees it. */
export function Enclosed({ one, at }: { readonly one: Enclosure; readonly at: EnclosedAt }) {
  if (one.kind === 'talk') return <Spoken id={one.id} at={at} />;
  return (
    <figure>
      {one.kind === 'picture' ? (
        <img className="max-h-[70vh] rounded" src={at.file(one.id)} alt={one.title} />
      ) : (
        // biome-ignore lint/a11y/useMediaCaption: a silent swing has no words to caption
        <video
          className="max-h-[70vh] w-full rounded"
          controls
          playsInline
          preload="metadata"
          src={at.file(one.id)}
        />
      )}
      <figcaption className="text-sm">{one.title}</figcaption>
    </figure>
  );
}

function Spoken({ id, at }: { readonly id: string; readonly at: EnclosedAt }) {
  const said = useSaid(id, at);
  if (said.data) return <TalkPlayer talk={said.data} voice={at.file(id)} clip={at.clip} />;
  if (said.error) return <p role="status">{ENCLOSED_WORDS.failed}</p>;
  return <Loading what={ENCLOSED_WORDS.loading} />;
}
