import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import type { Hand, ViewKind } from '@inchstep/core/intake';
import { proposeMarks, proposeStations, type SeenBody, seenBody, steadySides } from '@inchstep/core/measures';
import { type Remote, transfer, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { FrameReader } from './frames.worker.ts';
import { framesThread } from './framesThread.ts';
import type { PoseFinder } from './poser.worker.ts';

export interface Proposal {
  readonly view: ViewKind;
  readonly stationTimes: SwingView['stationTimes'];
  readonly marks: readonly SwingMark[];
}

export type ProposalTrouble = 'clip' | 'nobody' | 'no_swing' | 'network';

/** More frames a second than this tell nothing new about stations. */
const ENOUGH_A_SECOND = 60;
/** Fewer found bodies than this share of the frames are nobody standing there. */
const LEAST_FOUND = 0.6;

/** Looks through a whole clip for the body: in workers, with progress, stopped when wanted. */
export function usePoser() {
  const [share, setShare] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<ProposalTrouble | null>(null);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);

  const propose = async (
    url: string,
    kind: ViewKind,
    golfer: { heightIn: number; handedness: Hand },
    done: (proposal: Proposal) => void,
  ): Promise<void> => {
    // Pressing Stop, leaving the bench and a worker that can't start all end it at once.
    const stopped = new Promise<null>((done) => {
      stop.current = () => done(null);
    });
    setTrouble(null);
    setShare(0);
    const frames = framesThread();
    const network = new Worker('/networks/poser.js');
    const broken = new Promise<never>((_, fail) => {
      network.onerror = () => fail(new Trouble('network'));
    });
    try {
      const bodies = await Promise.race([
        look(
          wrap<FrameReader>(frames),
          wrap<PoseFinder>(network),
          url,
          golfer.handedness === 'left',
          setShare,
        ),
        stopped,
        broken,
      ]);
      if (bodies === null) return;
      const steady = steadySides(bodies, kind, golfer.handedness === 'left');
      const stations = proposeStations(steady, kind, golfer);
      if (!stations.ok) return setTrouble('no_swing');
      const times = [...stations.value].map(([s, frame]) => [s, steady[frame]?.time]);
      done({
        view: kind,
        stationTimes: Object.fromEntries(times),
        marks: proposeMarks(steady, kind, stations.value).map((m) => ({ ...m, view: kind, by: 'network' })),
      });
    } catch (reason) {
      setTrouble(reason instanceof Trouble ? reason.code : 'network');
    } finally {
      frames.terminate();
      network.terminate();
      setShare(null);
    }
  };
  return { share, trouble, propose, stop: () => stop.current() };
}

class Trouble extends Error {
  readonly code: ProposalTrouble;

  constructor(code: ProposalTrouble) {
    super(code);
    this.code = code;
  }
}

/** Bodies of all frames that are needed. */
async function look(
  reader: Remote<FrameReader>,
  poser: Remote<PoseFinder>,
  url: string,
  leftHanded: boolean,
  onProgress: (share: number) => void,
): Promise<SeenBody[]> {
  const clip = await reader.open(url);
  if ('trouble' in clip) throw new Trouble('clip');
  await poser.load(`${location.origin}/networks/`);
  const { times } = clip;
  const rate = (times.length - 1) / ((times.at(-1) ?? 1) - (times[0] ?? 0));
  const every = Math.max(1, Math.floor(rate / ENOUGH_A_SECOND + 0.01));
  const bodies: SeenBody[] = [];
  let looked = 0;
  for (let i = 0; i < times.length; i += every) {
    const picture = await reader.frame(i);
    const found = await poser.find(transfer(picture, [picture]));
    looked++;
    if (found) bodies.push(seenBody(times[i] as number, found, leftHanded));
    onProgress(i / times.length);
  }
  if (bodies.length < LEAST_FOUND * looked) throw new Trouble('nobody');
  return bodies;
}
