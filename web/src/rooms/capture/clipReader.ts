import type { Swing, SwingToLook } from '@inchstep/contract/capture';
import { viewsToLook } from '@inchstep/core/capture';
import type { ViewKind } from '@inchstep/core/intake';
import type { SwingWork } from './benchState.ts';
import { madeOf } from './HowMade.tsx';
import type { Golfer, How, Looked, Proposal } from './lookThrough.ts';
import { clipUrl } from './queries.ts';

/** The clip that is being looked through now. */
export interface LookNow {
  readonly swingId: string;
  readonly firstName: string;
  readonly view: ViewKind;
  readonly share: number;
}

/** What the reader of clips does with the world; a test gives its own. */
export interface ReaderHands {
  readonly list: () => Promise<readonly SwingToLook[]>;
  readonly look: (
    url: string,
    view: ViewKind,
    golfer: SwingToLook['golfer'] & Pick<Golfer, 'other'> & Pick<Swing, 'studentId' | 'recordedOn'>,
    how: Omit<How, 'waiting'>,
  ) => Promise<Looked | null>;
  /** Saves the swing's views and marks, and measures it. */
  readonly save: (swing: Swing, work: SwingWork) => Promise<Swing>;
  readonly tell: (now: LookNow | null) => void;
  /** Comes when a newer take waits: what is in the coach's lesson now goes before what came in yesterday. */
  readonly overtaken: (
    swing: Swing,
    leave: ReadonlySet<string>,
  ) => { readonly comes: Promise<void>; end(): void };
  /** Runs `work` while no bench holds the swing; `stolen` comes when one takes it. */
  readonly holding: (swingId: string, work: (stolen: Promise<void>) => Promise<void>) => Promise<void>;
}

/**
 * One round: looks through the clips that nobody has, newest first, and keeps what was proposed, or why nothing was.
 * Swings in `leave` are passed over: their look could not run here, or somebody saved them meanwhile. Answers whether
 * anything was done.
 */
export async function readClips(hands: ReaderHands, leave: Set<string>): Promise<boolean> {
  const all = await hands.list();
  const next = all.find(({ swing }) => !leave.has(swing.id));
  if (!next) return false;
  await hands
    .holding(next.swing.id, async (stolen) => {
      let swing = next.swing;
      const of = { studentId: swing.studentId, recordedOn: swing.recordedOn };
      for (const view of viewsToLook(swing)) {
        const clipId = swing.views.find(({ kind }) => kind === view)?.clipId;
        if (!clipId) continue;
        const now = { swingId: swing.id, firstName: next.firstName, view };
        hands.tell({ ...now, share: 0 });
        const onProgress = (share: number) => hands.tell({ ...now, share });
        const overtaken = hands.overtaken(swing, leave);
        const stopped = Promise.race([stolen, overtaken.comes]);
        const looked = await hands
          .look(
            clipUrl(clipId),
            view,
            { ...next.golfer, ...of, other: otherTimes(swing, view) },
            { onProgress, stopped },
          )
          .finally(overtaken.end);
        if (looked === null) return;
        if (!looked.ok && looked.trouble === 'network') throw new Error('readClips: the look could not run');
        swing = await hands.save(swing, workAfter(swing, view, looked));
      }
    })
    .catch(() => leave.add(next.swing.id))
    .finally(() => hands.tell(null));
  return true;
}

/** When the swing's other view has its stations: seen before, or named by a hand. */
const otherTimes = ({ views }: Swing, view: ViewKind): Golfer['other'] =>
  views.find(({ kind }) => kind !== view)?.stationTimes ?? {};

/** The swing's work with what a look brought: stations and marks, or the word that nothing was seen. */
function workAfter(swing: Swing, view: ViewKind, looked: Exclude<Looked, null>): SwingWork {
  const { made, views, marks } = { made: madeOf(swing), views: swing.views, marks: swing.marks };
  const put = (more: Partial<Swing['views'][number]>) =>
    views.map((one) => (one.kind === view ? { ...one, ...more } : one));
  if (looked.ok) {
    const { stationTimes, marks: found }: Proposal = looked.proposal;
    return { made, views: put({ stationTimes }), marks: [...marks, ...found] };
  }
  return looked.trouble === 'network'
    ? { made, views, marks }
    : { made, views: put({ looked: looked.trouble }), marks };
}

/** Asks the list again and again, until what stands first in it was filmed later than `swing`. */
export function overtakenBy(
  list: ReaderHands['list'],
  swing: Swing,
  leave: ReadonlySet<string>,
  everyMs: number,
): { readonly comes: Promise<void>; end(): void } {
  let timer: ReturnType<typeof setInterval> | undefined;
  const comes = new Promise<void>((done) => {
    timer = setInterval(async () => {
      const all = await list().catch(() => []);
      const first = all.find((one) => !leave.has(one.swing.id))?.swing;
      if (first && first.id !== swing.id && first.createdAt > swing.createdAt) done();
    }, everyMs);
  });
  return { comes, end: () => clearInterval(timer) };
}

const lockOf = (swingId: string): string => `inchstep.swing.${swingId}`;

/** By the browser's locks, which tabs share: a bench that opens the swing takes it away. */
export async function whileNoBench(
  swingId: string,
  work: (stolen: Promise<void>) => Promise<void>,
): Promise<void> {
  let stop: () => void = () => undefined;
  const stolen = new Promise<void>((done) => {
    stop = done;
  });
  if (!navigator.locks) return work(stolen);
  let running: Promise<void> = Promise.resolve();
  try {
    await navigator.locks.request(lockOf(swingId), { ifAvailable: true }, (lock) => {
      if (!lock) throw new Error('whileNoBench: a bench has it');
      running = work(stolen);
      return running;
    });
  } catch (reason) {
    stop();
    await running;
    throw reason;
  }
}

/** Takes a swing for a bench, from whoever has it, until what it answers is called. */
export function holdForBench(swingId: string): () => void {
  let release: () => void = () => undefined;
  const held = new Promise<void>((done) => {
    release = done;
  });
  // A second bench may take it in turn; both save by version.
  navigator.locks?.request(lockOf(swingId), { steal: true }, () => held).catch(() => undefined);
  return release;
}
