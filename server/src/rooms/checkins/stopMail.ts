import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire';
import { STOP_WORDS } from '@inchstep/contract/words';
import { hashToken } from '../../platform/auth.ts';
import type { Context } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { endMail } from '../intake/index.ts';
import { readerOf } from './letterRepo.ts';

/** Takes the agreement to mail back, by the code that stood in a letter. Told twice it is the same. */
export function stopMail(ctx: Context, code: string): string {
  const studentId = readerOf(ctx.db, hashToken(code));
  if (studentId === null) throw new Refusal('not_found');
  endMail(ctx, studentId);
  return STOP_WORDS.done;
}

/** Asks before it stops anything: mail programs open links by themselves. */
export function stopPage(code: string): string {
  const { title, ask, yes } = STOP_WORDS;
  return (
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${title}</title>` +
    '<meta name="viewport" content="width=device-width, initial-scale=1">' +
    '<style>body{font:18px/1.5 sans-serif;max-width:34em;margin:0 auto;padding:1em;background:#fffdf7;color:#17242b}' +
    'button{font:inherit;font-weight:bold;padding:.9em;border:0;background:#0f4c57;color:#fff}</style></head>' +
    `<body><main><h1>${title}</h1><p>${ask}</p>` +
    `<form method="post" action="${urlOf(wire.checkins.stopMail, { code })}"><button>${yes}</button></form></main></body></html>`
  );
}
