import { createServer, type Server } from 'node:http';
import { TRUST_WORDS } from '@inchstep/contract/words';
import type { OwnTls } from './ownTls.ts';

/**
 * One page without TLS: how a phone comes to trust the program's own certificate, and the certificate itself. Nothing of
 * the record can be reached here.
 */
export function trustServer({ authority, fingerprint }: Pick<OwnTls, 'authority' | 'fingerprint'>): Server {
  return createServer((request, response) => {
    const plain = { 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' };
    const policy = { 'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'" };
    if (request.method !== 'GET') return response.writeHead(405, plain).end();
    const path = (request.url ?? '').split('?')[0];
    if (path === '/authority.crt')
      return response
        .writeHead(200, {
          ...plain,
          'content-type': 'application/x-x509-ca-cert',
          'content-disposition': 'attachment; filename="inch-step.crt"',
        })
        .end(authority);
    if (path !== '/') return response.writeHead(404, plain).end();
    return response
      .writeHead(200, { ...plain, ...policy, 'content-type': 'text/html; charset=utf-8' })
      .end(page(fingerprint));
  });
}

const STYLE =
  'body{font:18px/1.5 sans-serif;max-width:34em;margin:0 auto;padding:1em;background:#fffdf7;color:#17242b}' +
  'a{display:block;padding:.9em;background:#0f4c57;color:#fff;text-align:center;text-decoration:none;font-weight:bold}' +
  'code{word-break:break-all;font-size:16px}li{margin:.5em 0}';

function page(fingerprint: string): string {
  const { title, why, get, steps, compare, remove, after } = TRUST_WORDS;
  const list = steps.map((step) => `<li>${step}</li>`).join('');
  return (
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${title}</title>` +
    `<meta name="viewport" content="width=device-width, initial-scale=1"><style>${STYLE}</style></head>` +
    `<body><main><h1>${title}</h1><p>${why}</p><p><a href="/authority.crt">${get}</a></p><ol>${list}</ol>` +
    `<p>${compare}</p><p><code>${fingerprint}</code></p><p>${after}</p><p>${remove}</p></main></body></html>`
  );
}
