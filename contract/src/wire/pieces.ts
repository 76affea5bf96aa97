import { z } from 'zod';
import type { Endpoint, Wire } from './endpoint.ts';

const hidden = { file: 'any', hidden: true } as const;
const one = { ...hidden, params: { piece: z.string().max(100) } } as const;

/** The endpoints through which a large file arrives in pieces: begin, ask how much is here, add a piece, drop it. */
export const piecesAt = <const P extends string>(door: Wire, base: P) => ({
  beginPieces: door.post(`${base}/pieces` as const, hidden) as Endpoint<`${P}/pieces`, typeof hidden>,
  askPieces: door.head(`${base}/pieces/:piece` as const, one) as Endpoint<`${P}/pieces/:piece`, typeof one>,
  addPiece: door.patch(`${base}/pieces/:piece` as const, one) as Endpoint<`${P}/pieces/:piece`, typeof one>,
  dropPieces: door.delete(`${base}/pieces/:piece` as const, one) as Endpoint<
    `${P}/pieces/:piece`,
    typeof one
  >,
});
