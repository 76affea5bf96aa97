import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import ipaddr from 'ipaddr.js';

/** A header that a foreign page can't send without being asked first, and is never allowed to. */
export const WRITE_HEADER = 'x-inchstep';
/** The sender's own clock when it sent; tells how long ago something was done, whatever that clock says. */
export const SENT_AT_HEADER = 'x-inchstep-sent-at';

export const SAFE_METHODS: ReadonlySet<string> = new Set(['GET', 'HEAD']);

/** "golf.example:8080" to its name and port; null for what is no host. */
function hostParts(host: string | undefined): { name: string; port: string } | null {
  if (!host || !/^[a-z0-9.\-:[\]]+$/i.test(host) || !URL.canParse(`http://${host}`)) return null;
  const url = new URL(`http://${host}`);
  return { name: url.hostname.replace(/^\[|\]$/g, ''), port: url.port };
}

/**
 * Whether this is one of the names the program goes by: this machine's own names and addresses, and the
 * public one. A page of another name that was pointed at this machine is turned away.
 */
export function isOwnHost(host: string | undefined, publicUrl: string | null): boolean {
  const parts = hostParts(host);
  if (!parts) return false;
  const { name } = parts;
  if (publicUrl && name === new URL(publicUrl).hostname.replace(/^\[|\]$/g, '')) return true;
  if (isIP(name)) return isLoopback(name) || ownAddresses().has(name);
  const own = hostname().toLowerCase();
  return name === 'localhost' || name === own || name === `${own}.local`;
}

export const isLoopback = (host: string): boolean => /^(localhost|\[?::1\]?|127\.[\d.]+)$/.test(host);

function ownAddresses(): Set<string> {
  return new Set(
    Object.values(networkInterfaces()).flatMap((all) => (all ?? []).map(({ address }) => address)),
  );
}

/** A write comes from our own pages, or from a program that is no page and says no origin. */
export function isOwnOrigin(
  origin: string | undefined,
  host: string | undefined,
  publicUrl: string | null,
): boolean {
  if (origin === undefined) return true;
  if (publicUrl !== null && origin === publicUrl) return true;
  if (!URL.canParse(origin)) return false;
  const { protocol, host: from } = new URL(origin);
  return /^https?:$/.test(protocol) && from.toLowerCase() === hostWithoutUsualPort(host, protocol);
}

function hostWithoutUsualPort(host: string | undefined, protocol: string): string {
  const usual = protocol === 'https:' ? ':443' : ':80';
  const lower = (host ?? '').toLowerCase();
  return lower.endsWith(usual) ? lower.slice(0, -usual.length) : lower;
}

/** What an address means once every disguise is taken off: decoded, one slash, no dots, small letters. */
export function plainPath(rawUrl: string): string {
  let path = rawUrl.replace(/^[a-z][a-z0-9+.-]*:\/\/[^/]*/i, '').split(/[?#;]/)[0] ?? '';
  for (let i = 0; i < 4; i++) {
    try {
      const decoded = decodeURIComponent(path);
      if (decoded === path) break;
      path = decoded;
    } catch {
      break;
    }
  }
  const parts: string[] = [];
  for (const part of path.replaceAll('\\', '/').split('/')) {
    if (part === '' || part === '.') continue;
    if (part === '..') parts.pop();
    else parts.push(part);
  }
  return `/${parts.join('/')}`.toLowerCase();
}

/** A client as limits count it: an address, or for IPv6 the network (64 bits) that a single household gets. */
export function clientKey(ip: string): string {
  if (!ipaddr.isValid(ip)) return ip;
  const address = ipaddr.process(ip);
  return address instanceof ipaddr.IPv6
    ? address.parts
        .slice(0, 4)
        .map((part) => part.toString(16))
        .join(':')
    : address.toString();
}
