import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { addDays, subMinutes } from 'date-fns';
import { and, desc, eq, gt, ne, sql } from 'drizzle-orm';
import { type Context, newId, newToken, stamp } from './context.ts';
import { keptQuery } from './db.ts';
import { Refusal } from './errors.ts';
import { coaches, sessions } from './tables.ts';

const derive = promisify(scrypt) as (secret: string, salt: Buffer, length: number) => Promise<Buffer>;
const DIGEST_BYTES = 64;
const SESSION_DAYS = 30;
export const SESSION_COOKIE = 'inchstep_session';

export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');

export const firstCoach = (ctx: Context) =>
  keptQuery(ctx.db, 'firstCoach', () => ctx.db.select().from(coaches).limit(1).prepare()).get() ?? null;

async function secretOf(passphrase: string): Promise<{ salt: string; digest: string }> {
  const salt = randomBytes(16);
  const digest = await derive(passphrase, salt, DIGEST_BYTES);
  return { salt: salt.toString('base64'), digest: digest.toString('base64') };
}

/** Makes the first coach of an empty program. */
export async function setUpCoach(
  ctx: Context,
  name: string,
  passphrase: string,
  device: string,
): Promise<string> {
  const secret = await secretOf(passphrase);
  return ctx.db.transaction(() => {
    if (firstCoach(ctx)) throw new Refusal('already_set_up');
    const id = newId();
    ctx.db
      .insert(coaches)
      .values({ id, name, ...secret, createdAt: stamp(ctx), contact: '' })
      .run();
    return openSession(ctx, id, device);
  });
}

async function opens(coach: { salt: string; digest: string }, passphrase: string): Promise<boolean> {
  const digest = await derive(passphrase, Buffer.from(coach.salt, 'base64'), DIGEST_BYTES);
  return timingSafeEqual(digest, Buffer.from(coach.digest, 'base64'));
}

/** Tries the passphrase against every coach; a new session's token on success. */
export async function signIn(ctx: Context, passphrase: string, device: string): Promise<string> {
  for (const coach of ctx.db.select().from(coaches).all())
    if (await opens(coach, passphrase)) return openSession(ctx, coach.id, device);
  throw new Refusal('wrong_passphrase');
}

/** A new passphrase for who knows the old one; every other session ends. */
export async function changePassphrase(
  ctx: Context,
  coachId: string,
  keepSession: string,
  { before, after }: { readonly before: string; readonly after: string },
): Promise<void> {
  const coach = ctx.db.select().from(coaches).where(eq(coaches.id, coachId)).get();
  if (!coach || !(await opens(coach, before))) throw new Refusal('wrong_passphrase');
  const secret = await secretOf(after);
  ctx.db.transaction(() => {
    ctx.db.update(coaches).set(secret).where(eq(coaches.id, coachId)).run();
    endOtherSessions(ctx, coachId, keepSession);
  });
}

export const setContact = (ctx: Context, coachId: string, contact: string): void => {
  ctx.db.update(coaches).set({ contact }).where(eq(coaches.id, coachId)).run();
};

export function openSession(ctx: Context, coachId: string, device: string): string {
  const token = newToken();
  ctx.db
    .insert(sessions)
    .values({
      tokenHash: hashToken(token),
      coachId,
      expiresAt: addDays(ctx.now(), SESSION_DAYS).toISOString(),
      id: newId(),
      createdAt: stamp(ctx),
      lastUsedAt: stamp(ctx),
      device,
    })
    .run();
  return token;
}

export function closeSession(ctx: Context, token: string | undefined): void {
  if (token)
    ctx.db
      .delete(sessions)
      .where(eq(sessions.tokenHash, hashToken(token)))
      .run();
}

/** The coach's sessions that still open, the last used first. */
export const sessionsOf = (ctx: Context, coachId: string) =>
  ctx.db
    .select({
      id: sessions.id,
      createdAt: sessions.createdAt,
      lastUsedAt: sessions.lastUsedAt,
      device: sessions.device,
    })
    .from(sessions)
    .where(and(eq(sessions.coachId, coachId), gt(sessions.expiresAt, stamp(ctx))))
    .orderBy(desc(sessions.lastUsedAt))
    .all();

export function endSession(ctx: Context, coachId: string, id: string): void {
  ctx.db
    .delete(sessions)
    .where(and(eq(sessions.coachId, coachId), eq(sessions.id, id)))
    .run();
}

export function endOtherSessions(ctx: Context, coachId: string, keep: string): void {
  ctx.db
    .delete(sessions)
    .where(and(eq(sessions.coachId, coachId), ne(sessions.id, keep)))
    .run();
}

const TOUCH_MINUTES = 10;

/** The coach behind a cookie, or null. */
export function coachOf(
  ctx: Context,
  token: string | undefined,
): { id: string; name: string; session: string } | null {
  if (!token) return null;
  const row = keptQuery(ctx.db, 'coachOf', () =>
    ctx.db
      .select({
        id: coaches.id,
        name: coaches.name,
        expiresAt: sessions.expiresAt,
        session: sessions.id,
        lastUsedAt: sessions.lastUsedAt,
      })
      .from(sessions)
      .innerJoin(coaches, eq(coaches.id, sessions.coachId))
      .where(eq(sessions.tokenHash, sql.placeholder('hash')))
      .prepare(),
  ).get({ hash: hashToken(token) });
  if (!row || row.expiresAt <= stamp(ctx)) return null;
  if (isStale(ctx, row.lastUsedAt))
    bestEffort(() =>
      ctx.db
        .update(sessions)
        .set({ lastUsedAt: stamp(ctx) })
        .where(eq(sessions.id, row.session))
        .run(),
    );
  return { id: row.id, name: row.name, session: row.session };
}

/** True when a "last used" is old enough to be worth a write. */
export const isStale = (ctx: Context, lastUsedAt: string | null): boolean =>
  lastUsedAt === null || lastUsedAt < subMinutes(ctx.now(), TOUCH_MINUTES).toISOString();

/** A note that helps but must not fail what it goes with: a full disk can still be read. */
export function bestEffort(act: () => void): void {
  try {
    act();
  } catch {
    // Said again at the next use.
  }
}
