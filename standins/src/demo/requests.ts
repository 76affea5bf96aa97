/** Sends a request as the signed-in coach would; the answer's body, or an error that names it. */
export type Call = (method: 'GET' | 'POST' | 'PUT', url: string, body?: unknown) => Promise<never>;
export type Send = (
  url: string,
  file: Buffer,
  name: string,
  fields: Record<string, string>,
) => Promise<never>;

export interface Clock {
  set(day: string, hour: number): void;
}
