import type { Database } from 'better-sqlite3';

/** Clips, motion files and what went along with letters that some row names, each once. An index of the second question spares opening the marks. */
export const filesInUse = (client: Database): string[] =>
  client
    .prepare(
      `SELECT file FROM clips UNION SELECT file FROM enclosures UNION SELECT json_extract(body, '$.track.file') FROM swings
       WHERE json_extract(body, '$.track.file') IS NOT NULL`,
    )
    .pluck()
    .all() as string[];
