import { plainTexts } from '@inchstep/core/foundation';
import type { Context } from './context.ts';
import { Refusal } from './errors.ts';
import type { App } from './fastifyApp.ts';

const KILOBYTE = 1024;
/** What anybody may send without being known. */
const UNKNOWN_SENDER = 8 * KILOBYTE;
/** A student's words, or a form of the coach's. */
export const USUAL_BODY = 64 * KILOBYTE;
/** Marks of a swing, a file of shots or pressure as text, a drill collection: asked for route by route. */
export const DOCUMENT_BODY = 4 * KILOBYTE * KILOBYTE;
/** From here on a document is read by a helper process: the request thread has others to answer. */
const READ_ELSEWHERE = 256 * KILOBYTE;
/** Bytes of documents that may be in the program at once. */
const MOST_AT_ONCE = 6 * DOCUMENT_BODY;
const DEEPEST = 32;
const USUAL_TOKENS = 6000;
const DOCUMENT_TOKENS = 60_000;
/** The drawing hand of a spoken review is written down many times a second. */
export const FIELD_TOKENS = 250_000;

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
/** What a byte outside a text is: by table, since millions are looked at while others wait. */
const [PLAIN, TEXT, OPENS, CLOSES, PARTS] = [0, 1, 2, 3, 4];
const KIND = new Uint8Array(256).fill(PLAIN);
for (const [signs, kind] of [
  ['"', TEXT],
  ['[{', OPENS],
  [']}', CLOSES],
  [',:', PARTS],
] as const)
  for (const sign of signs) KIND[sign.charCodeAt(0)] = kind;

interface Shape {
  readonly depth: number;
  readonly tokens: number;
}
const ANY: Shape = { depth: Number.POSITIVE_INFINITY, tokens: Number.POSITIVE_INFINITY };

/**
 * How a JSON text is built, without reading it: brackets within brackets, and everything that parts one value from the
 * next. It stops as soon as either is more than `most`.
 */
export function shapeOf(text: Uint8Array, most: Shape = ANY): Shape {
  let [depth, deepest, tokens] = [0, 0, 0];
  for (let i = 0; i < text.length && deepest <= most.depth && tokens <= most.tokens; i++) {
    const kind = KIND[text[i] as number];
    if (kind === PLAIN) continue;
    if (kind === TEXT) i = endOfString(text, i);
    else if (kind === CLOSES) depth--;
    else {
      tokens++;
      if (kind === OPENS) deepest = Math.max(deepest, ++depth);
    }
  }
  return { depth: deepest, tokens };
}

/** The place of the quote that ends the string begun at `from`; the end of the text where none does. */
function endOfString(text: Uint8Array, from: number): number {
  let i = from + 1;
  while (i < text.length && text[i] !== QUOTE) i += text[i] === BACKSLASH ? 2 : 1;
  return i;
}

/** Refuses JSON that is nested, or holds values, beyond anything that a person or our own pages write. */
export function checkShape(text: Uint8Array, mostTokens: number): void {
  const { depth, tokens } = shapeOf(text, { depth: DEEPEST, tokens: mostTokens });
  if (depth > DEEPEST || tokens > mostTokens) throw new Refusal('body_too_heavy');
}

/** A sender has this long for a body, and longer for a long one: 4 kB a second is a bad line, less is no sender. */
const PATIENCE_MS = 20_000;
const SLOWEST_BYTES_PER_MS = 4;

/** Closes the connection of whoever trickles a body; films have a watch of their own (`files.ts`). */
function dropSlowSenders(app: App): void {
  app.addHook('preParsing', async (request, _, payload) => {
    if (!/json/.test(request.headers['content-type'] ?? '')) return payload;
    const bytes = Math.min(Number(request.headers['content-length']) || 0, DOCUMENT_BODY);
    const timer = setTimeout(() => request.raw.destroy(), PATIENCE_MS + bytes / SLOWEST_BYTES_PER_MS);
    for (const event of ['end', 'close', 'error'] as const) payload.once(event, () => clearTimeout(timer));
    return payload;
  });
}

/** JSON is looked at before it is read: its size by the route, its nesting and its count of values by the size. */
export function readBodies(app: App, ctx: Context): void {
  let held = 0;
  app.addHook('onRoute', (route) => {
    if (route.config?.door === 'anyone') route.bodyLimit ??= UNKNOWN_SENDER;
  });
  dropSlowSenders(app);
  const parse = app.getDefaultJsonParser('error', 'error');
  app.removeAllContentTypeParsers();
  app.addContentTypeParser<Buffer>(
    'application/json',
    { parseAs: 'buffer' },
    async (request: Parameters<typeof parse>[0], body: Buffer) => {
      checkShape(body, body.length > USUAL_BODY ? DOCUMENT_TOKENS : USUAL_TOKENS);
      if (body.length <= READ_ELSEWHERE) return plain(request, body.toString());
      if (held + body.length > MOST_AT_ONCE) throw new Refusal('busy');
      held += body.length;
      try {
        return await ctx.jobs.run('readJson', { body });
      } finally {
        held -= body.length;
      }
    },
  );
  const plain = (request: Parameters<typeof parse>[0], text: string) =>
    new Promise<unknown>((done, fail) =>
      parse(request, text, (error, value) => (error ? fail(error) : done(plainTexts(value)))),
    );
}
