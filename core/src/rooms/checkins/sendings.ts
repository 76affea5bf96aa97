/** What a phone sends to the program, by how it has to travel. */
const SENDINGS = ['pain', 'set', 'checkin', 'clip'] as const;
export type SendingKind = (typeof SENDINGS)[number];

/** Words are small and go past a clip that takes an hour. */
export type Lane = 'words' | 'clips';
export const LANES: readonly Lane[] = ['words', 'clips'];

/** Something that waits on a phone until the program has it. */
export interface Sending {
  readonly id: string;
  readonly what: SendingKind;
  /** Its place in the order, ms by the phone's clock and never twice. */
  readonly at: number;
  /** Clips that have to be there before it, by their ids. */
  readonly after: readonly string[];
  /** Until then, ms, it can still be taken back; null = it may go. */
  readonly heldUntil: number | null;
  /** Why the program would not take it, in words; null while it may. */
  readonly refused: string | null;
}

const laneOf = (what: SendingKind): Lane => (what === 'clip' ? 'clips' : 'words');

/** Its place in the order: after everything that waits, also on a phone whose clock was set back. */
export const placeAfter = (waiting: readonly Pick<Sending, 'at'>[], nowMs: number): number =>
  Math.max(nowMs, ...waiting.map(({ at }) => at + 1));

/**
 * What goes next in a lane; null = nothing may go now. Pain goes before everything, for a coach can't hear of it soon
 * enough; the rest goes in the order in which it was done. A check-in waits for its clips, and lets what came after it by.
 */
export function nextSending<S extends Sending>(waiting: readonly S[], lane: Lane, nowMs: number): S | null {
  const open = waiting.filter(({ refused }) => refused === null);
  const there = new Set(open.map(({ id }) => id));
  const ready = open.filter(
    ({ what, heldUntil, after }) =>
      laneOf(what) === lane &&
      (heldUntil === null || heldUntil <= nowMs) &&
      !after.some((id) => there.has(id)),
  );
  return (
    ready.sort((a, b) => Number(b.what === 'pain') - Number(a.what === 'pain') || a.at - b.at)[0] ?? null
  );
}

/** What goes without a clip that was refused or let go: the words are still worth their way. */
export function withoutClip<S extends Sending & { readonly body: Readonly<Record<string, unknown>> }>(
  sending: S,
  clip: string,
): S {
  if (!sending.after.includes(clip)) return sending;
  const { clipIds } = sending.body;
  const left = Array.isArray(clipIds) ? clipIds.filter((id) => id !== clip) : undefined;
  return {
    ...sending,
    after: sending.after.filter((id) => id !== clip),
    body: { ...sending.body, ...(left && { clipIds: left }) },
  };
}

/** What is to be done with a sending after the program's answer, or after none. */
type Outcome =
  /** It is there: let it go here. */
  | 'taken'
  /** No line, a busy or a stumbling program: all of the lane waits. */
  | 'later'
  /** The link is no good any more: everything waits for a new one. */
  | 'closed'
  /** It would be refused again. */
  | 'refused';

/** The door itself is shut; a newer link or code opens it again. */
const CLOSED: ReadonlySet<string> = new Set([
  'link_unknown',
  'link_expired',
  'link_revoked',
  'link_closed',
  'signed_out',
  'camera_closed',
]);
const LATER: ReadonlySet<number> = new Set([0, 408, 425, 429]);

/** `status` of the answer, 0 = none came; `code` of the refusal. */
export function outcomeOf({ status, code }: { readonly status: number; readonly code: string }): Outcome {
  if (status >= 200 && status < 300) return 'taken';
  if (CLOSED.has(code)) return 'closed';
  return LATER.has(status) || status >= 500 ? 'later' : 'refused';
}
