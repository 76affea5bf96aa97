import type { z } from 'zod';

/** Who an endpoint opens to. */
export type Door = 'coach' | 'link' | 'camera' | 'anyone';
export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE' | 'HEAD' | 'PATCH';

/** The named parts of an address. */
export type NamesIn<P extends string> = P extends `${infer Head}/${infer Rest}`
  ? NamesIn<Head> | NamesIn<Rest>
  : P extends `:${infer Name}`
    ? Name
    : never;

/** The part of an endpoint that a caller needs. */
export interface Asked<P extends string = string> {
  readonly method: Method;
  readonly path: P;
  readonly answer?: { readonly parse: (body: unknown) => unknown };
}

/** Every endpoint's address but the unsubscribe page begins with this. */
export const API = '/api/';

type Parts<P extends string> = { readonly [N in NamesIn<P>]: string };
type Query<E> = E extends { readonly query: infer Q extends z.ZodType }
  ? { readonly query?: Readonly<Partial<z.input<Q>>> }
  : unknown;
type Body<E> = E extends { readonly body: infer B extends z.ZodType }
  ? { readonly body: Unchanging<z.input<B>> }
  : unknown;
/** Readonly all the way down: a body is only serialized. */
type Unchanging<T> = T extends readonly (infer One)[]
  ? readonly Unchanging<One>[]
  : T extends object
    ? { readonly [K in keyof T]: Unchanging<T[K]> }
    : T;
type Form<E> = E extends { readonly form: infer F extends z.ZodType }
  ? { readonly form: Readonly<Record<keyof z.input<F>, string>> }
  : unknown;

/** What goes into an endpoint's address. */
export type AddressOf<E> = E extends Asked<infer P> ? Parts<P> & Query<E> : never;
/** All that an endpoint is asked with. */
export type ArgsOf<E> = AddressOf<E> & Body<E> & Form<E>;
export type AnswerOf<E> = E extends { readonly answer: { readonly parse: (body: unknown) => infer A } }
  ? A
  : unknown;

/** The argument is optional where the endpoint needs none. */
export type Args<A> = Record<string, never> extends A ? [args?: A] : [args: A];

/** An endpoint's address with its parts filled in. */
export function urlOf<E extends Asked>(endpoint: E, ...[args]: Args<AddressOf<E>>): string {
  const { query = {}, ...parts } = (args ?? {}) as { query?: Record<string, unknown> } & Record<
    string,
    unknown
  >;
  const path = endpoint.path.replace(/:(\w+)/g, (_, name: string) => {
    const part = parts[name];
    if (typeof part !== 'string') throw new Error(`urlOf: ${endpoint.path} without ${name}`);
    return encodeURIComponent(part);
  });
  const asked = Object.entries(query).filter(([, value]) => value !== undefined);
  if (asked.length === 0) return path;
  return `${path}?${new URLSearchParams(asked.map(([name, value]) => [name, String(value)]))}`;
}
