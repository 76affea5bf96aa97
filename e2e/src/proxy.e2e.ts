import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { freePort, ROOT, type RunningServer, startServer } from './program.ts';

const has = (tool: string) => spawnSync('sh', ['-c', `command -v ${tool}`]).status === 0;
const there = has('nginx') && has('openssl');
if (!there)
  process.stderr.write(
    'proxy.e2e: nginx or openssl is not installed, so the example behind it is not tried\n',
  );

/** The example of docs/examples, with its names and ports replaced, as a whole configuration. */
function configuration(folder: string, tls: number, plain: number, program: number): string {
  const example = readFileSync(join(ROOT, 'docs', 'examples', 'nginx.conf'), 'utf8')
    .replace('listen 443 ssl', `listen 127.0.0.1:${tls} ssl`)
    .replace('listen 80', `listen 127.0.0.1:${plain}`)
    .replaceAll('/etc/ssl/golf.example', join(folder, 'golf'))
    .replace('127.0.0.1:4310', `127.0.0.1:${program}`);
  const temp = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((n) => `${n}_temp_path ${folder}/${n};`)
    .join(' ');
  return `daemon off; pid ${folder}/pid; error_log stderr error; user root;
events {} http { ${temp}
${example} }`;
}

interface Heard {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly body: string;
}

/** The program behind the proxy of the docs, asked over TLS as a browser would. */
(there ? describe : describe.skip)('behind nginx, as the example says', () => {
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-proxy-'));
  let server: RunningServer;
  let nginx: ChildProcess;
  let tls: number;

  const ask = (
    method: string,
    path: string,
    body?: string,
    headers: Record<string, string> = {},
  ): Promise<Heard> =>
    new Promise((done, fail) => {
      const options = {
        host: '127.0.0.1',
        port: tls,
        path,
        method,
        rejectUnauthorized: false,
        servername: 'golf.example',
      };
      const sending = request(
        {
          ...options,
          headers: {
            host: 'golf.example',
            ...(body ? { 'content-type': 'application/json' } : {}),
            ...headers,
          },
        },
        (answer) => {
          let text = '';
          answer.on('data', (chunk: Buffer) => {
            text += String(chunk);
          });
          answer.on('end', () =>
            done({ status: answer.statusCode ?? 0, headers: answer.headers, body: text }),
          );
        },
      );
      sending.on('error', fail);
      sending.end(body);
    });
  const own = { 'x-inchstep': '1', origin: 'https://golf.example' };

  beforeAll(async () => {
    server = await startServer(join(folder, 'data'), {
      PUBLIC_URL: 'https://golf.example',
      TRUST_PROXY: '1',
    });
    tls = await freePort();
    const key = ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=golf.example'];
    spawnSync('openssl', [...key, '-keyout', join(folder, 'golf.key'), '-out', join(folder, 'golf.crt')]);
    const conf = join(folder, 'nginx.conf');
    writeFileSync(conf, configuration(folder, tls, await freePort(), server.port));
    nginx = spawn('nginx', ['-c', conf], { stdio: ['ignore', 'ignore', 'inherit'] });
    for (let i = 0; i < 100; i++) {
      if (
        await ask('GET', '/api/me').then(
          (heard) => heard.status === 200,
          () => false,
        )
      )
        return;
      await new Promise((done) => setTimeout(done, 100));
    }
    throw new Error('proxy.e2e: nginx did not come up');
  });
  afterAll(async () => {
    nginx?.kill('SIGTERM');
    await server?.end();
    rmSync(folder, { recursive: true, force: true });
  });

  it('sets up over TLS with a cookie that is Secure, and opens with it', async () => {
    const made = await ask(
      'POST',
      '/api/setup',
      '{"name":"Ilse","passphrase":"a passphrase for tests"}',
      own,
    );
    expect(made.status).toBe(200);
    const cookie = String(made.headers['set-cookie']);
    expect(cookie).toMatch(/; HttpOnly; Secure; SameSite=Strict/);
    const list = await ask('GET', '/api/students', undefined, { cookie: cookie.split(';')[0] as string });
    expect(list).toMatchObject({ status: 200, body: '[]' });
    expect(list.headers['strict-transport-security']).toBeTruthy();
  });
  it('refuses a foreign page, a foreign name, and the encoded address without a cookie', async () => {
    const foreign = { ...own, origin: 'https://elsewhere.example' };
    expect((await ask('POST', '/api/sign-out', undefined, foreign)).status).toBe(403);
    expect((await ask('GET', '/api/me', undefined, { host: 'elsewhere.example' })).status).not.toBe(200);
    expect((await ask('GET', '/%61pi/students')).status).toBe(401);
  });
  it('serves the screens', async () => {
    const page = await ask('GET', '/');
    expect(page).toMatchObject({ status: 200, body: expect.stringContaining('<div id="root">') });
  });
});
