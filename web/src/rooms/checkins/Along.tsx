import type { Checkin } from '@inchstep/contract/checkins';
import { ClipboardPen, Eraser, Film, ImagePlus, Mic, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useScreenKeys } from '../../platform/keys.ts';
import { Failed } from '../../platform/parts.tsx';
import { exportPair, type PairStage, pairPicture } from '../measures/index.ts';
import { clockText } from './talkTime.ts';
import { type Made, type OnItsWay, useEnclose } from './useEnclose.ts';
import { useTalk } from './useTalk.ts';
import { ALONG_STAGE_WORDS } from './words.enclosed.ts';

interface AlongProps {
  readonly checkin: Checkin;
  readonly stage: PairStage;
  /** While it is spoken the pair stays the pair it is. */
  readonly onTalking: (talking: boolean) => void;
  /** Something is still being made, spoken or sent: the reply waits for it. */
  readonly onMaking: (making: boolean) => void;
}

/** Beside the pair: draw on it, and put the picture, the clip or a talk over both with the reply. */
export function Along({ checkin, stage, onTalking, onMaking }: AlongProps) {
  const { onTheWay, enclose, again, letGo } = useEnclose(checkin.studentId, checkin.id);
  const talk = useTalk(stage, ({ voice, talk: said }) =>
    enclose({ ...whatOf(stage), kind: 'talk', title: ALONG_STAGE_WORDS.talkTitle, file: voice, talk: said }),
  );
  const clip = useClip(stage, enclose);
  const [error, setError] = useState<unknown>(null);
  const ready = stage.now !== null;
  const gone = checkin.reply !== null;
  const { pen } = stage;
  const talking = talk.state === 'on';
  const [drawing, setDrawing] = useState(false);
  const making = talk.state !== 'off' || clip.share !== null || drawing || onTheWay.length > 0;
  useEffect(() => onTalking(talk.state !== 'off'), [talk.state, onTalking]);
  useEffect(() => onMaking(making), [making, onMaking]);
  useEffect(() => () => onMaking(false), [onMaking]);
  const picture = () => {
    if (!ready || gone) return;
    setError(null);
    const title = stage.station ? ALONG_STAGE_WORDS.at(stage.station) : ALONG_STAGE_WORDS.pictureTitle;
    setDrawing(true);
    pairPicture()
      .then((file) => enclose({ ...whatOf(stage), kind: 'picture', title, file, talk: null }), setError)
      .finally(() => setDrawing(false));
  };
  const speak = () => {
    if (talking) void talk.stop();
    else if (ready && !gone && talk.state === 'off') void talk.start();
  };
  useScreenKeys('d', () => pen.setOn((on) => !on));
  useScreenKeys('w', pen.wipe);
  useScreenKeys('p', picture);
  useScreenKeys('c', () => {
    if (!gone) clip.make();
  });
  useScreenKeys('t', speak);
  return (
    <section aria-label={ALONG_STAGE_WORDS.title} className="flex flex-col gap-1">
      <div className="flex flex-wrap gap-2 sm:flex-col">
        <Press on={pen.on} icon={ClipboardPen} onPress={() => pen.setOn(!pen.on)}>
          {ALONG_STAGE_WORDS.draw}
        </Press>
        <Press icon={Eraser} off={pen.strokes.length === 0} onPress={pen.wipe}>
          {ALONG_STAGE_WORDS.wipe}
        </Press>
        {!gone && (
          <>
            <Press icon={ImagePlus} off={!ready} onPress={picture}>
              {ALONG_STAGE_WORDS.picture}
            </Press>
            <Press icon={Film} off={!ready || clip.share !== null} onPress={clip.make}>
              {ALONG_STAGE_WORDS.clip}
            </Press>
            <Press
              on={talking}
              icon={talking ? Square : Mic}
              off={!ready || talk.state === 'asking' || talk.state === 'ending'}
              onPress={speak}
            >
              {talking ? ALONG_STAGE_WORDS.stop(clockText(talk.ms)) : ALONG_STAGE_WORDS.talk}
            </Press>
          </>
        )}
      </div>
      {talk.state !== 'off' && (
        <p role="status" className="border-[var(--tape-ink)] border-l-[6px] pl-3 font-semibold">
          {talking ? ALONG_STAGE_WORDS.talking : ALONG_STAGE_WORDS.asking}
        </p>
      )}
      {clip.share !== null && (
        <p role="status" className="flex items-center gap-2">
          {ALONG_STAGE_WORDS.making(Math.round(100 * clip.share))}
          <progress
            className="progress w-40"
            value={clip.share}
            max={1}
            aria-label={ALONG_STAGE_WORDS.makingClip}
          />
          <button type="button" className="btn" onClick={clip.stop}>
            {ALONG_STAGE_WORDS.stopMaking}
          </button>
        </p>
      )}
      {[error, talk.trouble, clip.error].filter(Boolean).map((one) => (
        <Failed key={String(one)} error={one} />
      ))}
      {onTheWay.map((one) => (
        <OneOnItsWay key={one.id} one={one} again={() => void again(one)} letGo={() => letGo(one.id)} />
      ))}
    </section>
  );
}

function OneOnItsWay({
  one,
  again,
  letGo,
}: {
  readonly one: OnItsWay;
  readonly again: () => void;
  readonly letGo: () => void;
}) {
  return (
    <p role="status" className="flex flex-wrap items-center gap-2">
      {ALONG_STAGE_WORDS.sending(one.title, Math.round(100 * one.share))}
      {one.error && (
        <>
          <Failed error={one.error} again={again} />
          <button type="button" className="btn" onClick={letGo}>
            {ALONG_STAGE_WORDS.letGo}
          </button>
        </>
      )}
    </p>
  );
}

const whatOf = ({ now, before }: PairStage): Pick<Made, 'clipIds'> => ({
  clipIds: [now, before].flatMap((clip) => clip?.clipId ?? []),
});

/** Both swings as one short clip; made here, with progress, and stopped when wanted. */
function useClip(stage: PairStage, enclose: (made: Made) => void) {
  const [share, setShare] = useState<number | null>(null);
  const [error, setError] = useState<unknown>(null);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);
  const make = async () => {
    const { now, before, mode, laid } = stage;
    if (!now || share !== null) return;
    stop.current = new AbortController();
    setError(null);
    setShare(0);
    try {
      const blob = await exportPair(before, now, mode, laid, setShare, stop.current.signal, true);
      const file = new File([blob], 'clip.webm', { type: 'video/webm' });
      const title = before ? ALONG_STAGE_WORDS.both : ALONG_STAGE_WORDS.clipTitle;
      enclose({ ...whatOf(stage), kind: 'clip', title, file, talk: null });
    } catch (reason) {
      if ((reason as Error).name !== 'AbortError') setError(reason);
    } finally {
      setShare(null);
    }
  };
  return { share, error, make: () => void make(), stop: () => stop.current?.abort() };
}

function Press({
  on,
  off = false,
  icon: Icon,
  onPress,
  children,
}: {
  readonly on?: boolean;
  readonly off?: boolean;
  readonly icon: typeof Mic;
  readonly onPress: () => void;
  readonly children: string;
}) {
  return (
    <button
      type="button"
      {...(on === undefined ? {} : { 'aria-pressed': on })}
      disabled={off}
      className={`btn justify-start ${on ? 'btn-primary' : ''}`}
      onClick={onPress}
    >
      <Icon aria-hidden size={18} /> {children}
    </button>
  );
}
