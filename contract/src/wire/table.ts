import * as wire from '../endpoints.ts';
import type { Endpoint } from './endpoint.ts';

const isEndpoint = (value: object): value is Endpoint => 'path' in value && 'door' in value;

/** Every endpoint by room and name ("practice.savePlan"): what the server's routes and doors are checked against. */
export const ENDPOINTS: ReadonlyMap<string, Endpoint> = new Map(
  Object.entries(wire).flatMap(([room, all]) =>
    Object.entries<object>(all).flatMap(([name, value]) =>
      isEndpoint(value) ? [[`${room}.${name}`, value] as const] : [],
    ),
  ),
);
