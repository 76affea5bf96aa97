import { isIP } from 'node:net';
import { resolve } from 'node:path';
import { type MailSettings, mailSettings } from './mailDoor.ts';
import { StartRefusal } from './startRefusal.ts';
import { type Tls, tlsFrom } from './tls.ts';

/** What the program is told from outside, checked once. */
export interface ServerSettings {
  readonly dataDir: string;
  readonly demo: boolean;
  readonly clipLimitMb: number;
  readonly port: number;
  readonly host: string;
  /** The address people type, where a proxy stands before the program; decides Secure cookies. */
  readonly publicUrl: string | null;
  /** Whose word on the client's address is believed: a number of proxies, or their addresses. */
  readonly trustProxy: false | number | string;
  /** Where the nightly backup goes; null makes none. */
  readonly backupDir: string | null;
  /** The program's own certificate, for a network without a proxy before it. */
  readonly tls: Tls | null;
  /** The program makes its own certificate for the bay's network. */
  readonly tlsOwn: boolean;
  /** What the key of that certificate’s authority is wrapped with; null leaves it readable by its owner. */
  readonly tlsOwnPassphrase: string | null;
  /** Where a phone learns to trust that certificate, and by what it is compared. */
  readonly trust?: TrustDoor;
  /** A mail server that takes letters; null = they are put into a folder. */
  readonly mail: MailSettings | null;
  readonly now?: () => Date;
}

export interface TrustDoor {
  readonly port: number;
  readonly fingerprint: string;
}

type Env = Readonly<Record<string, string | undefined>>;

export const TEST_SETTINGS = {
  demo: false,
  clipLimitMb: 300,
  port: 0,
  host: '127.0.0.1',
  publicUrl: null,
  trustProxy: false,
  backupDir: null,
  tls: null,
  tlsOwn: false,
  tlsOwnPassphrase: null,
  mail: null,
} as const;

/** Every setting or one plain sentence about the first that can't be right. */
export function readSettings(env: Env): ServerSettings {
  return {
    dataDir: resolve(env.DATA_DIR || 'data'),
    demo: env.INCHSTEP_DEMO === '1',
    clipLimitMb: wholeNumber(env, 'MAX_CLIP_MB', 300, 1, 4096),
    port: wholeNumber(env, 'PORT', 4310, 1, 65535),
    host: hostOf(env.HOST || '127.0.0.1'),
    publicUrl: publicUrlOf(env.PUBLIC_URL),
    trustProxy: proxyOf(env.TRUST_PROXY),
    backupDir: env.BACKUP_DIR ? resolve(env.BACKUP_DIR) : null,
    tls: tlsFrom(env, new Date()),
    tlsOwn: tlsOwnOf(env),
    tlsOwnPassphrase: env.TLS_OWN_PASSPHRASE || null,
    mail: mailSettings(env),
  };
}

function wholeNumber(env: Env, name: string, usual: number, low: number, high: number): number {
  const text = env[name];
  if (text === undefined || text === '') return usual;
  const value = /^\d+$/.test(text.trim()) ? Number(text) : Number.NaN;
  if (value >= low && value <= high) return value;
  throw new StartRefusal(
    `${name} is “${text}”: give a whole number from ${low} to ${high}, or leave it out.`,
  );
}

function tlsOwnOf(env: Env): boolean {
  if (env.TLS_OWN !== '1') return false;
  if (env.TLS_CERT || env.TLS_KEY)
    throw new StartRefusal('TLS_OWN makes a certificate, TLS_CERT brings one: give one of them, not both.');
  return true;
}

function hostOf(host: string): string {
  if (isIP(host) || /^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/i.test(host)) return host;
  throw new StartRefusal(`HOST is “${host}”: give an address of this machine, such as 127.0.0.1 or 0.0.0.0.`);
}

function publicUrlOf(text: string | undefined): string | null {
  if (!text) return null;
  const url = URL.canParse(text) ? new URL(text) : null;
  if (url && /^https?:$/.test(url.protocol) && url.pathname === '/' && !url.search && !url.username)
    return url.origin;
  throw new StartRefusal(
    `PUBLIC_URL is “${text}”: give the address people type, such as https://golf.example, without a path.`,
  );
}

function proxyOf(text: string | undefined): false | number | string {
  const word = text?.trim() ?? '';
  if (word === '' || word === '0' || word === 'false') return false;
  if (/^[1-9]$/.test(word)) return Number(word);
  const parts = word.split(',').map((part) => part.trim());
  const known = (part: string) =>
    ['loopback', 'uniquelocal', 'linklocal'].includes(part) || isIP(part.split('/')[0] ?? '') > 0;
  if (parts.every(known)) return parts.join(',');
  throw new StartRefusal(
    `TRUST_PROXY is “${text}”: give the number of proxies before the program (1), or their addresses (127.0.0.1).`,
  );
}
