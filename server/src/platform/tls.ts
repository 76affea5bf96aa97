import { X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createSecureContext } from 'node:tls';
import { StartRefusal } from './startRefusal.ts';

export interface Tls {
  readonly cert: Buffer;
  readonly key: Buffer;
}

type Env = Readonly<Record<string, string | undefined>>;

/** A certificate with its key, or neither; one sentence about what can't be right. */
export function tlsFrom(env: Env, now: Date): Tls | null {
  const { TLS_CERT: certFile, TLS_KEY: keyFile } = env;
  if (!certFile && !keyFile) return null;
  if (!certFile) throw new StartRefusal('TLS_KEY is given without TLS_CERT: give both, or neither.');
  if (!keyFile) throw new StartRefusal('TLS_CERT is given without TLS_KEY: give both, or neither.');
  const tls = { cert: fileOf('TLS_CERT', certFile), key: fileOf('TLS_KEY', keyFile) };
  refuseOverdue(tls.cert, certFile, now);
  try {
    createSecureContext(tls);
  } catch {
    throw new StartRefusal(`TLS_KEY is “${keyFile}”: it is no key of the certificate in TLS_CERT.`);
  }
  return tls;
}

function fileOf(name: string, path: string): Buffer {
  try {
    return readFileSync(path);
  } catch {
    throw new StartRefusal(`${name} is “${path}”: this file can't be read.`);
  }
}

function refuseOverdue(cert: Buffer, path: string, now: Date): void {
  let until: Date;
  try {
    until = new Date(new X509Certificate(cert).validTo);
  } catch {
    throw new StartRefusal(`TLS_CERT is “${path}”: this is no certificate in PEM form.`);
  }
  if (until < now)
    throw new StartRefusal(`TLS_CERT is “${path}”: it ran out on ${until.toISOString().slice(0, 10)}.`);
}
