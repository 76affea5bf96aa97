import { z } from 'zod';

/**
 * A document as it lies in the record, as JSON with its version in `v`: what it is today, and one small pure
 * step from each older version to the next. What was kept before versions were is version 1.
 */
export interface KeptDocument<T> {
  readonly name: string;
  readonly version: number;
  readonly schema: z.ZodType<T>;
  /** `steps[0]` makes version 2 of version 1, and so on up to today's. */
  readonly steps: readonly Step[];
}

/** What an older program kept, of a shape that only its step knows. */
// biome-ignore lint/suspicious/noExplicitAny: a step is told by its version what it gets; a fixture holds it to that
export type Older = any;
type Step = (older: Older) => object;

/** A document that this program can't read: kept by a newer one, or not what its version says. */
export class UnreadableDocument extends Error {
  readonly document: string;
  readonly why: 'newer' | 'no_sense';
  readonly at: string;
  constructor(document: string, why: 'newer' | 'no_sense', at = '') {
    super(`${document}: ${why}${at ? ` at ${at}` : ''}`);
    this.document = document;
    this.why = why;
    this.at = at;
  }
}

export function document<T extends object>(
  name: string,
  schema: z.ZodType<T>,
  steps: readonly Step[] = [],
): KeptDocument<T> {
  return { name, version: steps.length + 1, schema, steps };
}

/** As it is written down. */
export const toKeep = <T extends object>(kept: KeptDocument<T>, value: T): object => ({
  ...value,
  v: kept.version,
});

/**
 * As it is read. What today's program kept is taken at its word; what an older one kept is brought up step by
 * step and must then be what today's schema says.
 */
export function fromKept<T extends object>(kept: KeptDocument<T>, stored: unknown): T {
  const { v = 1, ...body } = stored as { readonly v?: number } & object;
  if (v === kept.version) return body as T;
  if (v > kept.version) throw new UnreadableDocument(kept.name, 'newer');
  const today = kept.steps.slice(v - 1).reduce((older: Older, step) => step(older), body);
  const read = kept.schema.safeParse(today);
  if (read.success) return read.data;
  throw new UnreadableDocument(kept.name, 'no_sense', read.error.issues[0]?.path.join('.'));
}

/**
 * What a file from outside must hold where such a document is kept: within the limits, of a version that this
 * program knows, and brought up to what today's schema says.
 */
export const keptSchema = <T extends object>(kept: KeptDocument<T>, limits?: z.ZodType) =>
  z.unknown().superRefine((stored, { addIssue }) => {
    const tell = (read: z.ZodSafeParseResult<unknown>) => {
      for (const { path, message } of read.error?.issues ?? []) addIssue({ code: 'custom', path, message });
      return read.success;
    };
    if (!tell((limits ?? z.looseObject({})).safeParse(stored))) return;
    try {
      tell(kept.schema.safeParse(fromKept(kept, stored)));
    } catch (error) {
      if (!(error instanceof UnreadableDocument)) throw error;
      addIssue({ code: 'custom', path: error.at === '' ? [] : error.at.split('.'), message: error.why });
    }
  });
