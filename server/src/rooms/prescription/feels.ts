import type { FeelPage, StoredFeel } from '@inchstep/contract/prescription';
import { BAND_ROWS } from '@inchstep/core/intake';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { getStudent } from '../intake/index.ts';
import { dropFeel, feelsOf, insertFeel } from './repo.ts';

/** Felt against measured, newest first. */
export function feelPage(ctx: Context, studentId: string): FeelPage {
  const records = feelsOf(ctx.db, studentId).map(({ id, measure, felt, measured, side, at }) => ({
    id,
    measure,
    felt,
    measured,
    side,
    at,
  }));
  return { records };
}

/** Notes a record once, however often it is sent. */
export function noteFeel(
  ctx: Context,
  studentId: string,
  feel: Omit<StoredFeel, 'at'>,
  author: string,
): FeelPage {
  getStudent(ctx, studentId);
  if (!BAND_ROWS.some((row) => row.id === feel.measure))
    throw new Refusal('unknown_measure', { id: feel.measure });
  return once(
    ctx,
    { id: feel.id, what: 'feel', studentId, author },
    () => insertFeel(ctx.db, { ...feel, studentId, at: stamp(ctx) }),
    () => feelPage(ctx, studentId),
  );
}

export function forgetFeel(ctx: Context, studentId: string, id: string): FeelPage {
  dropFeel(ctx.db, studentId, id);
  return feelPage(ctx, studentId);
}
