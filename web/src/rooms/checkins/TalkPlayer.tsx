import type { TalkDocument } from '@inchstep/contract/checkins';
import { captionAt, opensAtMs, sceneAt, tickBeside, ticksOf } from '@inchstep/core/checkins';
import { Pause, Play, SkipBack, SkipForward } from 'lucide-react';
import { type ReactNode, useMemo } from 'react';
import { PAIR_UNITS, PairCanvas, Strokes } from '../measures/phone/index.ts';
import { clockText } from './talkTime.ts';
import { usePairVideos } from './usePairVideos.ts';
import { useVoice } from './useVoice.ts';
import { VoiceStrip } from './VoiceStrip.tsx';
import { ENCLOSED_WORDS, TALK_WORDS } from './words.enclosed.ts';

interface PlayerProps {
  readonly talk: TalkDocument;
  /** Where the voice is. */
  readonly voice: string;
  readonly clip: (clipId: string) => string;
  /** Under it: what is done at the moment where it stands. */
  readonly children?: (ms: number) => ReactNode;
}

/** A spoken review: the voice over the clips that are here already, as the coach stepped, laid and drew. */
export function TalkPlayer({ talk, voice, clip, children }: PlayerProps) {
  const heard = useVoice(voice, talk.ms);
  const { ms } = heard;
  const scene = useMemo(() => sceneAt(talk.moves, Math.max(ms, opensAtMs(talk.moves))), [talk, ms]);
  const ticks = useMemo(() => ticksOf(talk.moves), [talk]);
  const videos = usePairVideos(talk, clip, scene);
  const go = (side: 'before' | 'after') => {
    const tick = tickBeside(ticks, ms, side);
    if (tick !== null) heard.go(tick);
  };
  const k = (talk.laid?.frame?.heightPx ?? talk.now.heightPx) / PAIR_UNITS;
  const caption = captionAt(talk.captions, ms);
  return (
    <section aria-label={ENCLOSED_WORDS.kinds.talk} className="flex flex-col gap-2">
      <PairCanvas
        id={null}
        className="sm:h-[21rem]"
        then={videos.before}
        now={videos.now}
        mode={talk.laid ? scene.mode : 'beside'}
        laid={talk.laid}
        over={<Strokes strokes={scene.strokes} k={k} />}
      />
      {videos.lost && <p role="status">{TALK_WORDS.noClips}</p>}
      {talk.captions.length > 0 && (
        <p aria-live="polite" className="min-h-14 text-lg leading-snug">
          {caption}
        </p>
      )}
      <VoiceStrip ms={ms} length={talk.ms} ticks={ticks} onGo={heard.go} />
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="btn btn-primary h-14 flex-1 sm:flex-none"
          disabled={heard.state !== 'ready'}
          onClick={() => {
            videos.wake();
            heard.toggle();
          }}
        >
          {heard.playing ? <Pause aria-hidden /> : <Play aria-hidden />}
          {heard.playing ? TALK_WORDS.pause : TALK_WORDS.play}
        </button>
        <button
          type="button"
          className="btn size-14 p-0"
          aria-label={TALK_WORDS.earlier}
          onClick={() => go('before')}
        >
          <SkipBack aria-hidden size={18} />
        </button>
        <button
          type="button"
          className="btn size-14 p-0"
          aria-label={TALK_WORDS.later}
          onClick={() => go('after')}
        >
          <SkipForward aria-hidden size={18} />
        </button>
        <p className="text-sm tabular-nums">{TALK_WORDS.of(clockText(ms), clockText(talk.ms))}</p>
      </div>
      {heard.state === 'failed' && <p role="status">{ENCLOSED_WORDS.failed}</p>}
      {children?.(ms)}
    </section>
  );
}
