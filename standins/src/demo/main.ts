import { existsSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { buildApp, makeContext, readSettings } from '@inchstep/server';
import { format, parseISO } from 'date-fns';
import type { Call, Send } from './requests.ts';
import { Seeder } from './seeder.ts';
import { tellStory } from './story.ts';

/**
 * Fills an empty data folder with the made-up practice ground, by the same requests the screens
 * send. The work is done in a folder beside it and moved at the end, so that a stop leaves nothing.
 */
/** What the program's own pages send with every change. */
const OWN_PAGE = { 'x-inchstep': '1' };
const PASSPHRASE = 'quarry-lane-demo';

async function makeDemo(): Promise<void> {
  const settings = { ...readSettings(process.env), demo: true };
  if (existsSync(join(settings.dataDir, 'inchstep.sqlite'))) return;
  const started = Date.now();
  const draft = `${settings.dataDir}.making`;
  await rm(draft, { recursive: true, force: true });
  console.log('Making the demo data ..');
  const real = new Date();
  let now = real;
  const ctx = makeContext({ ...settings, dataDir: draft, now: () => now });
  const app = await buildApp(ctx, { log: false, rateLimits: false });
  let cookie = '';
  const check = (url: string, response: { statusCode: number; body: string }) => {
    if (response.statusCode >= 400)
      throw new Error(`demo: ${url} answered ${response.statusCode}: ${response.body.slice(0, 300)}`);
    return response.body === '' ? undefined : JSON.parse(response.body);
  };
  const call: Call = async (method, url, body) =>
    check(
      url,
      await app.inject({
        method,
        url,
        headers: { cookie, ...OWN_PAGE },
        ...(body === undefined ? {} : { payload: body as object }),
      }),
    ) as never;
  const send: Send = async (url, file, name, fields) => {
    const form = new FormData();
    for (const [key, value] of Object.entries(fields)) form.set(key, value);
    form.set('file', new Blob([new Uint8Array(file)]), name);
    const request = new Request('http://demo/', { method: 'POST', body: form });
    const payload = Buffer.from(await request.arrayBuffer());
    const headers = { cookie, ...OWN_PAGE, 'content-type': request.headers.get('content-type') ?? '' };
    return check(url, await app.inject({ method: 'POST', url, headers, payload })) as never;
  };
  const setup = await app.inject({
    method: 'POST',
    url: '/api/setup',
    headers: OWN_PAGE,
    payload: { name: 'Ilse Varga', passphrase: PASSPHRASE },
  });
  cookie = String(setup.headers['set-cookie']).split(';')[0] ?? '';
  const clock = {
    set: (day: string, hour: number) => {
      const asked = parseISO(`${day}T${String(hour).padStart(2, '0')}:00:00`);
      // A morning start must not write an evening that has not come yet.
      now = asked > real ? real : asked;
    },
  };
  await tellStory(new Seeder(call, send, clock, format(real, 'yyyy-MM-dd')), (line) => console.log(line));
  await call('POST', '/api/care/contact', { contact: '0700 555 0134' });
  await call('POST', '/api/sign-out');
  await app.close();
  await ctx.close();
  await rename(draft, settings.dataDir);
  console.log(`Demo data ready in ${((Date.now() - started) / 1000).toFixed(1)} s.`);
}

await makeDemo();
