import { createPrivateKey, X509Certificate } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { makeAuthority, makeServer, type Pair, permits } from './signing.ts';
import { StartRefusal } from './startRefusal.ts';
import type { Tls } from './tls.ts';

/** A certificate that the program made for its own network, and the authority that a phone comes to trust. */
export interface OwnTls extends Tls {
  /** The authority's certificate, PEM: what a phone installs. It can sign nothing without its key, which stays here. */
  readonly authority: string;
  /** Its SHA-256 fingerprint, by which a person compares what came with what was sent. */
  readonly fingerprint: string;
}

const DAY_MS = 86_400_000;
/** Phones take no server's certificate that lasts longer than about two years; an authority is trusted anew each year. */
const LASTS_DAYS = 365;
const RENEW_DAYS = 30;
/** Clocks differ: valid from a day before it was made. */
const BEFORE_MS = DAY_MS;
const SUBJECT = 'Inch Step, this bay';

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
 * The authority stays the same for a year, as long as it may sign for this machine's names, so that a phone that trusts
 * it need not be asked again. With a `passphrase` its key lies on the disk wrapped.
 */
export async function ownTls(
  dataDir: string,
  now: Date,
  { names = ownNames(), passphrase = null }: { names?: readonly string[]; passphrase?: string | null } = {},
): Promise<OwnTls> {
  const folder = join(dataDir, 'tls');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const lasting = {
    from: new Date(now.getTime() - BEFORE_MS),
    until: new Date(now.getTime() + LASTS_DAYS * DAY_MS),
  };
  const before = read(folder, 'authority', passphrase);
  const authority =
    before && mayStillSign(before, names, now) ? before : await makeAuthority(SUBJECT, names, lasting);
  put(folder, 'authority', authority, passphrase);
  const known = read(folder, 'server', null);
  const server =
    known && isGood(known, authority, names, now) ? known : await makeServer(authority, names, lasting);
  put(folder, 'server', server, null);
  return {
    cert: Buffer.from(server.cert),
    key: Buffer.from(server.key),
    authority: authority.cert,
    fingerprint: new X509Certificate(authority.cert).fingerprint256,
  };
}

function read(folder: string, name: string, passphrase: string | null): Pair | null {
  const of = (ending: string) => readFileSync(join(folder, `${name}.${ending}`), 'utf8');
  if (!existsSync(join(folder, `${name}.key`)) || !existsSync(join(folder, `${name}.crt`))) return null;
  const [cert, told] = [of('crt'), of('key')];
  if (told.includes('ENCRYPTED') && passphrase === null)
    throw new StartRefusal(
      'The key in DATA_DIR/tls is wrapped: set TLS_OWN_PASSPHRASE to the words it was wrapped with, or delete that folder to begin with a new one.',
    );
  try {
    const key = createPrivateKey({ key: told, ...(passphrase === null ? {} : { passphrase }) });
    // A stop between the two leaves a key of another certificate.
    if (!new X509Certificate(cert).checkPrivateKey(key)) return null;
    return { cert, key: String(key.export({ type: 'pkcs8', format: 'pem' })) };
  } catch {
    if (!told.includes('ENCRYPTED')) return null;
    throw new StartRefusal(
      'TLS_OWN_PASSPHRASE does not open the key in DATA_DIR/tls: give the words it was wrapped with, or delete that folder to begin with a new one.',
    );
  }
}

/** Written each time: what lay there in the clear is wrapped as soon as there are words for it. */
function put(folder: string, name: string, pair: Pair, passphrase: string | null): void {
  const wrapped =
    passphrase === null
      ? pair.key
      : createPrivateKey(pair.key).export({
          type: 'pkcs8',
          format: 'pem',
          cipher: 'aes-256-cbc',
          passphrase,
        });
  for (const [ending, text] of [
    ['key', wrapped],
    ['crt', pair.cert],
  ] as const) {
    const path = join(folder, `${name}.${ending}`);
    writeFileSync(path, text, { mode: 0o600 });
    chmodSync(path, 0o600);
  }
}

const lastsOn = ({ validTo }: X509Certificate, now: Date): boolean =>
  Date.parse(validTo) - now.getTime() > RENEW_DAYS * DAY_MS;

/** An authority of an older program could sign for any name there is: it is not used any more. */
function mayStillSign({ cert }: Pair, names: readonly string[], now: Date): boolean {
  return lastsOn(new X509Certificate(cert), now) && permits(cert, names);
}

function isGood({ cert }: Pair, authority: Pair, names: readonly string[], now: Date): boolean {
  const own = new X509Certificate(cert);
  const called = (name: string) => (isIP(name) ? own.checkIP(name) : own.checkHost(name)) !== undefined;
  const isIssued = own.checkIssued(new X509Certificate(authority.cert));
  return lastsOn(own, now) && isIssued && names.every(called);
}
