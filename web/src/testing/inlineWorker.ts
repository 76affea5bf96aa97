import { expose } from 'comlink';

/** One end of a line between two parties on the same thread; what is sent here arrives there. */
class Mailbox extends EventTarget {
  other: Mailbox | null = null;
  postMessage(data: unknown): void {
    queueMicrotask(() => this.other?.dispatchEvent(new MessageEvent('message', { data })));
  }
  start(): void {}
  terminate(): void {
    if (this.other) this.other.other = null;
    this.other = null;
  }
}

function join(a: Mailbox, b: Mailbox): void {
  a.other = b;
  b.other = a;
}

class Channel {
  readonly port1 = new Mailbox();
  readonly port2 = new Mailbox();
  constructor() {
    join(this.port1, this.port2);
  }
}

/** Lets `new Worker(..)` answer with `hands`, on the test's own thread; returns how many are at work. */
export function workInline(hands: object): { readonly atWork: () => number } {
  const open = new Set<Mailbox>();
  class InlineWorker extends Mailbox {
    constructor() {
      super();
      const thread = new Mailbox();
      join(this, thread);
      expose(hands, thread as unknown as Parameters<typeof expose>[1]);
      open.add(this);
    }
    override terminate(): void {
      open.delete(this);
      super.terminate();
    }
  }
  Object.assign(globalThis, { Worker: InlineWorker, MessageChannel: Channel, MessagePort: Mailbox });
  return { atWork: () => open.size };
}
