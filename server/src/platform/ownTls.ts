import { createPrivateKey, X509Certificate } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { generate } from 'selfsigned';
import type { Tls } from './tls.ts';

/** A certificate that the program made for its own network, and the authority that a phone comes to trust. */
export interface OwnTls extends Tls {
  /** The authority's certificate, PEM: what a phone installs. It can sign nothing without its key, which stays here. */
  readonly authority: string;
  /** Its SHA-256 fingerprint, by which a person compares what came with what was sent. */
  readonly fingerprint: string;
}

const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Phones take no server's certificate that lasts longer than about two years. */
const SERVER_DAYS = 390;
const RENEW_DAYS = 30;
/** Clocks differ: valid from a day before it was made. */
const BEFORE_MS = DAY_MS;

/** Names and addresses by which this machine is called in its network. */
export function ownNames(): string[] {
  const addresses = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address);
  const host = hostname().toLowerCase();
  const named = /^[a-z0-9-]+$/.test(host) ? [host, `${host}.local`] : [];
  return ['localhost', '127.0.0.1', ...named, ...addresses];
}

/**
 * The program's certificate in DATA_DIR/tls: made at the first start, made anew for new addresses or before it runs out.
 * The authority stays the same, so that a phone that trusts it need not be asked again.
 */
export async function ownTls(
  dataDir: string,
  now: Date,
  names: readonly string[] = ownNames(),
): Promise<OwnTls> {
  const folder = join(dataDir, 'tls');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = read(folder, 'authority') ?? put(folder, 'authority', await makeAuthority(now));
  const known = read(folder, 'server');
  const server =
    known && isGood(known, authority, names, now)
      ? known
      : put(folder, 'server', await makeServer(authority, names, now));
  return {
    cert: Buffer.from(server.cert),
    key: Buffer.from(server.key),
    authority: authority.cert,
    fingerprint: new X509Certificate(authority.cert).fingerprint256,
  };
}

interface Pair {
  readonly cert: string;
  readonly key: string;
}

function read(folder: string, name: string): Pair | null {
  try {
    const of = (ending: string) => readFileSync(join(folder, `${name}.${ending}`), 'utf8');
    const pair = { cert: of('crt'), key: of('key') };
    // A stop between the two leaves a key of another certificate.
    return new X509Certificate(pair.cert).checkPrivateKey(createPrivateKey(pair.key)) ? pair : null;
  } catch {
    return null;
  }
}

function put(folder: string, name: string, pair: Pair): Pair {
  writeFileSync(join(folder, `${name}.key`), pair.key, { mode: 0o600 });
  writeFileSync(join(folder, `${name}.crt`), pair.cert, { mode: 0o600 });
  return pair;
}

function isGood({ cert }: Pair, authority: Pair, names: readonly string[], now: Date): boolean {
  const own = new X509Certificate(cert);
  const called = (name: string) => (isAddress(name) ? own.checkIP(name) : own.checkHost(name)) !== undefined;
  const lasts = Date.parse(own.validTo) - now.getTime() > RENEW_DAYS * DAY_MS;
  return lasts && own.checkIssued(new X509Certificate(authority.cert)) && names.every(called);
}

const isAddress = (name: string): boolean => /^\d+(\.\d+){3}$/.test(name);

async function makeAuthority(now: Date): Promise<Pair> {
  const made = await generate([{ name: 'commonName', value: 'Inch Step, this bay' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(now.getTime() - BEFORE_MS),
    notAfterDate: new Date(now.getTime() + AUTHORITY_DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  return { cert: made.cert, key: made.private };
}

async function makeServer(authority: Pair, names: readonly string[], now: Date): Promise<Pair> {
  const made = await generate([{ name: 'commonName', value: names[0] ?? 'localhost' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(now.getTime() - BEFORE_MS),
    notAfterDate: new Date(now.getTime() + SERVER_DAYS * DAY_MS),
    ca: authority,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) =>
          isAddress(name) ? ({ type: 7, ip: name } as const) : ({ type: 2, value: name } as const),
        ),
      },
    ],
  });
  return { cert: made.cert, key: made.private };
}
