import type { SetLog } from '@inchstep/contract/practice';
import type { SendingNow } from '../../platform/outbox.ts';
import { useLibraryWords } from '../prescription/index.ts';
import type { PageBox } from './usePageBox.ts';
import { ON_THIS_PHONE_WORDS } from './words.page.ts';

/** What has not gone yet, how far it is, and what was not taken, with the reason. */
export function OnThisPhone({ box }: { readonly box: PageBox }) {
  const waiting = box.sendings.filter(({ state }) => state === 'waits' || state === 'sends');
  const refused = box.sendings.filter(({ state }) => state === 'refused');
  const clips = waiting.filter(({ what }) => what === 'clip');
  return (
    <>
      {waiting.length > 0 && (
        <section className="panel p-3" aria-label={ON_THIS_PHONE_WORDS.title}>
          <p role="status">
            {ON_THIS_PHONE_WORDS.waits(
              waiting.filter(({ what }) => what === 'set').length,
              waiting.filter(({ what }) => what === 'checkin').length,
              clips.length,
            )}{' '}
            {box.closed ? ON_THIS_PHONE_WORDS.closed : ON_THIS_PHONE_WORDS.byItself}
          </p>
          {clips.map((clip) => (
            <ClipOnItsWay key={clip.id} clip={clip} box={box} />
          ))}
          {waiting.some(({ kept }) => !kept) && (
            <p className="mt-1 font-semibold">{ON_THIS_PHONE_WORDS.noRoom}</p>
          )}
        </section>
      )}
      {refused.map((one) => (
        <NotTaken key={one.id} one={one} box={box} />
      ))}
    </>
  );
}

function ClipOnItsWay({ clip, box }: { readonly clip: SendingNow; readonly box: PageBox }) {
  return (
    <p className="mt-2 flex items-center gap-2">
      <span className="w-24 shrink-0 text-sm">
        {clip.state === 'sends'
          ? ON_THIS_PHONE_WORDS.part(Math.round(100 * clip.share))
          : ON_THIS_PHONE_WORDS.clipWaits}
      </span>
      <progress
        className="progress flex-1"
        value={clip.share}
        max={1}
        aria-label={ON_THIS_PHONE_WORDS.sending}
      />
      <button type="button" className="btn" onClick={() => box.letGo(clip.id)}>
        {ON_THIS_PHONE_WORDS.leaveOut}
      </button>
    </p>
  );
}

function NotTaken({ one, box }: { readonly one: SendingNow; readonly box: PageBox }) {
  const { nameOf } = useLibraryWords();
  const what =
    one.what === 'set' ? nameOf((one.body as unknown as SetLog).drill) : ON_THIS_PHONE_WORDS.a[one.what];
  return (
    <div role="alert" className="panel border-warning p-3">
      <p className="font-semibold">{ON_THIS_PHONE_WORDS.notTaken(what)}</p>
      <p>{one.refused}</p>
      <button type="button" className="btn mt-2" onClick={() => box.letGo(one.id)}>
        {ON_THIS_PHONE_WORDS.letItGo}
      </button>
    </div>
  );
}
