import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { addDays } from 'date-fns';
import { eq } from 'drizzle-orm';
import { type Context, newId, newToken, stamp } from './context.ts';
import { Refusal } from './errors.ts';
import { coaches, sessions } from './tables.ts';

const derive = promisify(scrypt) as (secret: string, salt: Buffer, length: number) => Promise<Buffer>;
const DIGEST_BYTES = 64;
const SESSION_DAYS = 30;
export const SESSION_COOKIE = 'inchstep_session';

export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');

export const firstCoach = (ctx: Context) => ctx.db.select().from(coaches).limit(1).get() ?? null;

/** Makes the first coach of an empty program. */
export async function setUpCoach(ctx: Context, name: string, passphrase: string): Promise<string> {
  const salt = randomBytes(16);
  const digest = await derive(passphrase, salt, DIGEST_BYTES);
  if (firstCoach(ctx)) throw new Refusal('already_set_up');
  const id = newId();
  ctx.db
    .insert(coaches)
    .values({
      id,
      name,
      salt: salt.toString('base64'),
      digest: digest.toString('base64'),
      createdAt: stamp(ctx),
    })
    .run();
  return openSession(ctx, id);
}

/** Tries the passphrase against every coach; a new session's token on success. */
export async function signIn(ctx: Context, passphrase: string): Promise<string> {
  for (const coach of ctx.db.select().from(coaches).all()) {
    const digest = await derive(passphrase, Buffer.from(coach.salt, 'base64'), DIGEST_BYTES);
    if (timingSafeEqual(digest, Buffer.from(coach.digest, 'base64'))) return openSession(ctx, coach.id);
  }
  throw new Refusal('wrong_passphrase');
}

export function openSession(ctx: Context, coachId: string): string {
  const token = newToken();
  const expiresAt = addDays(ctx.now(), SESSION_DAYS).toISOString();
  ctx.db
    .insert(sessions)
    .values({ tokenHash: hashToken(token), coachId, expiresAt })
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

/** The coach behind a cookie, or null. */
export function coachOf(ctx: Context, token: string | undefined): { id: string; name: string } | null {
  if (!token) return null;
  const row = ctx.db
    .select({ id: coaches.id, name: coaches.name, expiresAt: sessions.expiresAt })
    .from(sessions)
    .innerJoin(coaches, eq(coaches.id, sessions.coachId))
    .where(eq(sessions.tokenHash, hashToken(token)))
    .get();
  return row && row.expiresAt > stamp(ctx) ? { id: row.id, name: row.name } : null;
}
