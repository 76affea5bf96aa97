import { z } from 'zod';
import { idSchema } from '../shared.ts';
import type { Door, Method, NamesIn } from './address.ts';

/** What an endpoint takes and answers, beside its address. */
interface Spec {
  /** Parts of the address that are not ids. */
  readonly params?: Readonly<Record<string, z.ZodType>>;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** The small fields of a multipart body; its file comes after them. */
  readonly form?: z.ZodObject;
  readonly answer?: z.ZodType;
  /** The media type of an answer that is a file; `any` = the file says it. */
  readonly file?: string;
  /** The name under which a browser keeps what is answered; it may name parts of the address. */
  readonly saveAs?: string;
  /** Its body may be a document (4 MB) and not only a form (64 KB). */
  readonly document?: true;
  /** How often one address may ask, where that is less than its door allows. */
  readonly perMinute?: number;
  /** A write that a secret in its own address stands for, from wherever it is sent; it can do one thing only. */
  readonly byCode?: true;
  /** Left out of the description: no other program has a use for it. */
  readonly hidden?: true;
}

/** One thing that the program can be asked: the server mounts it, pages and tests call it. */
export type Endpoint<P extends string = string, S extends Spec = Spec> = S & {
  readonly room: string;
  readonly door: Door;
  readonly method: Method;
  readonly path: P;
};

export type Maker = <const P extends string, const S extends Spec>(path: P, spec: S) => Endpoint<P, S>;

/** Makes endpoints of one room and one door, by method. */
export type Wire = Readonly<Record<Lowercase<Method>, Maker>>;

/** Makes a room's endpoints for one door. */
export function wire(room: string, door: Door = 'coach'): Wire {
  const maker =
    (method: Method): Maker =>
    (path, spec) => ({ ...spec, room, door, method, path });
  return {
    get: maker('GET'),
    post: maker('POST'),
    put: maker('PUT'),
    delete: maker('DELETE'),
    head: maker('HEAD'),
    patch: maker('PATCH'),
  };
}

type Own<S, N> = S extends { readonly params: infer O }
  ? N extends keyof O
    ? O[N]
    : typeof idSchema
  : typeof idSchema;
type Shape<P extends string, S> = { readonly [N in NamesIn<P>]: N extends 'token' ? z.ZodString : Own<S, N> };

/** What the parts of an endpoint's address must be: ids, unless it says otherwise. */
export function paramsOf<P extends string, S extends Spec>({
  path,
  params,
}: Endpoint<P, S>): z.ZodObject<Shape<P, S>> {
  const names = [...path.matchAll(/:(\w+)/g)].map(([, name]) => name as NamesIn<P>);
  const shape = names.map((name) => [name, params?.[name] ?? (name === 'token' ? secretSchema : idSchema)]);
  return z.object(Object.fromEntries(shape) as Shape<P, S>);
}

/** The token of a private link or a camera. */
export const secretSchema = z.string().min(1).max(100);

export type ParamsOf<E> = E extends Endpoint<infer P, infer S> ? z.output<z.ZodObject<Shape<P, S>>> : never;
export type QueryOf<E> = E extends { readonly query: infer Q extends z.ZodType } ? z.output<Q> : unknown;
export type BodyOf<E> = E extends { readonly body: infer B extends z.ZodType } ? z.output<B> : unknown;
/** What the handler returns; for a file, the file's content or the reply that sent it. */
export type GivenBy<E> = E extends { readonly answer: infer A extends z.ZodType } ? z.input<A> : unknown;
