import type { SetLog } from '@inchstep/contract/practice';
import {
  dropRefused as drop,
  putWaiting as put,
  sendWaiting as send,
  type WaitingSet,
  waitingSets as waiting,
} from '../practice/index.ts';
import { sendSet } from './queries.ts';

export type { WaitingSet };

/** A link's own queue; the whole token is written nowhere. */
const queueOf = (token: string): string => token.slice(0, 12);

export const waitingSets = (token: string): WaitingSet[] => waiting(queueOf(token));
export const putWaiting = (token: string, set: SetLog): void => put(queueOf(token), set);
export const dropRefused = (token: string): void => drop(queueOf(token));
export const sendWaiting = (token: string): Promise<number> =>
  send(queueOf(token), (set) => sendSet(token, set));
