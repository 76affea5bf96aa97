import { type Context, newId, stamp } from '../context.ts';
import { Refusal } from '../errors.ts';

/** Closes one link, with its word in the thread. */
export function closeLink(ctx: Context, id: string): void {
  const client = ctx.db.$client;
  ctx.db.transaction(() => {
    const row = client
      .prepare('SELECT student_id AS studentId FROM links WHERE id = ? AND revoked_at IS NULL')
      .get(id) as { studentId: string } | undefined;
    if (!row) throw new Refusal('not_found');
    client.prepare('UPDATE links SET revoked_at = ? WHERE id = ?').run(stamp(ctx), id);
    client
      .prepare("INSERT INTO events (id, student_id, at, kind, detail) VALUES (?, ?, ?, 'link_revoked', '{}')")
      .run(newId(), row.studentId, stamp(ctx));
  });
}
