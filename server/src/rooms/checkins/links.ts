import type { StudentLink } from '@inchstep/contract/checkins';
import { addDays } from 'date-fns';
import { bestEffort, firstCoach, hashToken, isStale } from '../../platform/auth.ts';
import { type Context, dayOf, newId, newToken, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { getStudent, record } from '../intake/index.ts';
import { insertLink, linkByHash, linksOf, revokeLinks, touchLink } from './repo.ts';

/** A new private link; older ones, also those of letters, are closed: the coach gives one way in. */
export function makeLink(ctx: Context, studentId: string, days: number): StudentLink & { token: string } {
  getStudent(ctx, studentId);
  const token = newToken();
  const link = {
    id: newId(),
    createdAt: stamp(ctx),
    expiresAt: addDays(ctx.now(), days).toISOString(),
    revokedAt: null,
    lastUsedAt: null,
  };
  ctx.db.transaction(() => {
    revokeLinks(ctx.db, studentId, stamp(ctx));
    insertLink(ctx.db, { ...link, studentId, tokenHash: hashToken(token) });
    record(ctx, studentId, 'link', { until: dayOf(link.expiresAt) });
  });
  return { ...link, token };
}

/**
 * A way in for a letter's reader, beside the one that the coach gave and never longer than that: where that is closed,
 * a letter opens nothing. It is closed with all others. Null where nobody could open it from outside.
 */
export function linkForLetter(ctx: Context, studentId: string): { id: string; url: string } | null {
  const open = linksOf(ctx.db, studentId).find(
    ({ revokedAt, expiresAt }) => revokedAt === null && expiresAt > stamp(ctx),
  );
  if (!open || ctx.publicUrl === null) return null;
  const token = newToken();
  const id = newId();
  const row = { id, createdAt: stamp(ctx), expiresAt: open.expiresAt, revokedAt: null, lastUsedAt: null };
  insertLink(ctx.db, { ...row, studentId, tokenHash: hashToken(token) });
  return { id, url: `${ctx.publicUrl}/p/${token}` };
}

export const listLinks = (ctx: Context, studentId: string): StudentLink[] => linksOf(ctx.db, studentId);

export function closeLinks(ctx: Context, studentId: string): void {
  ctx.db.transaction(() => {
    if (revokeLinks(ctx.db, studentId, stamp(ctx)) > 0) record(ctx, studentId, 'link_revoked', {});
  });
}

/** Whose link this is; every doubt is refused, with a reason the student can act on. */
export function openLink(ctx: Context, token: string): { studentId: string; linkId: string } {
  const known = linkByHash(ctx.db, hashToken(token));
  if (!known) throw new Refusal('link_unknown');
  const { link, archivedAt } = known;
  if (link.revokedAt !== null) throw new Refusal('link_revoked');
  if (link.expiresAt <= stamp(ctx)) throw new Refusal('link_expired');
  if (archivedAt !== null) throw new Refusal('link_closed', { contact: contactOf(ctx) });
  if (isStale(ctx, link.lastUsedAt)) bestEffort(() => touchLink(ctx.db, link.id, stamp(ctx)));
  return { studentId: link.studentId, linkId: link.id };
}

/** Where a student reaches the coach when the program can no longer take a message. */
function contactOf(ctx: Context): string {
  const coach = firstCoach(ctx);
  return [coach?.name, coach?.contact].filter(Boolean).join(', ');
}
