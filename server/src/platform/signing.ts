import 'reflect-metadata';
import { createPrivateKey, webcrypto } from 'node:crypto';
import { isIP } from 'node:net';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName as AsnName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509';
import {
  BasicConstraintsExtension,
  cryptoProvider,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';
import ipaddr from 'ipaddr.js';

const CURVE = { name: 'ECDSA', namedCurve: 'P-256' } as const;
const SIGNED = { name: 'ECDSA', hash: 'SHA-256' } as const;
cryptoProvider.set(webcrypto as never);

/** A certificate and its key, both PEM. */
export interface Pair {
  readonly cert: string;
  readonly key: string;
}
interface Lasting {
  readonly from: Date;
  readonly until: Date;
}

/** Networks that nobody reaches from the internet. */
const PRIVATE_NETWORKS: readonly string[] = [
  '10.0.0.0/8',
  '172.16.0.0/12',
  '192.168.0.0/16',
  '169.254.0.0/16',
  '127.0.0.0/8',
  'fc00::/7',
  'fe80::/10',
];

/** An authority that can sign for `names` and for private networks, and for nothing else (RFC 5280, 4.2.1.10). */
export async function makeAuthority(
  subject: string,
  names: readonly string[],
  { from, until }: Lasting,
): Promise<Pair> {
  const keys = await newKeys();
  const cert = await X509CertificateGenerator.createSelfSigned({
    serialNumber: newSerial(),
    name: `CN="${subject}"`,
    notBefore: from,
    notAfter: until,
    keys,
    signingAlgorithm: SIGNED,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      new Extension(id_ce_nameConstraints, true, constraints(names)),
    ],
  });
  return { cert: cert.toString('pem'), key: await pemOf(keys.privateKey) };
}

/** A server's certificate for `names`, signed by `authority`; never longer than that one lasts. */
export async function makeServer(
  authority: Pair,
  names: readonly string[],
  { from, until }: Lasting,
): Promise<Pair> {
  const keys = await newKeys();
  const root = new X509Certificate(authority.cert);
  const cert = await X509CertificateGenerator.create({
    serialNumber: newSerial(),
    subject: 'CN="Inch Step"',
    issuer: root.subject,
    notBefore: from,
    notAfter: until < root.notAfter ? until : root.notAfter,
    publicKey: keys.publicKey,
    signingKey: await keyOf(authority.key),
    signingAlgorithm: SIGNED,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
      ),
    ],
  });
  return { cert: cert.toString('pem'), key: await pemOf(keys.privateKey) };
}

function constraints(names: readonly string[]): ArrayBuffer {
  const hosts = names.filter((name) => !isIP(name)).map((dNSName) => new AsnName({ dNSName }));
  const own = names.filter((name) => isIP(name)).map((ip) => `${ip}/${isIP(ip) === 4 ? 32 : 128}`);
  const networks = [...PRIVATE_NETWORKS, ...own].map((iPAddress) => new AsnName({ iPAddress }));
  const permitted = [...hosts, ...networks].map((base) => new GeneralSubtree({ base }));
  return AsnConvert.serialize(new NameConstraints({ permittedSubtrees: new GeneralSubtrees(permitted) }));
}

/** Whether an authority's constraints leave all of these names open; false for one without constraints. */
export function permits(authorityCert: string, names: readonly string[]): boolean {
  const extension = new X509Certificate(authorityCert).getExtension(id_ce_nameConstraints);
  if (!extension) return false;
  const bases = [...(AsnConvert.parse(extension.value, NameConstraints).permittedSubtrees ?? [])].map(
    ({ base }) => base,
  );
  const isIn = (address: string, network: string) => {
    const [range, bits] = ipaddr.parseCIDR(network);
    const one = ipaddr.parse(address);
    return one.kind() === range.kind() && one.match(range, bits);
  };
  return names.every((name) =>
    bases.some(({ dNSName, iPAddress }) =>
      isIP(name) ? iPAddress !== undefined && isIn(name, iPAddress) : dNSName === name,
    ),
  );
}

const newKeys = () => webcrypto.subtle.generateKey(CURVE, true, ['sign', 'verify']) as Promise<CryptoKeyPair>;
/** Positive, and not to be guessed. */
const newSerial = (): string =>
  `0${Buffer.from(webcrypto.getRandomValues(new Uint8Array(15))).toString('hex')}1`;
const pemOf = async (key: CryptoKey): Promise<string> =>
  PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key as never), 'PRIVATE KEY');
const keyOf = async (pem: string): Promise<CryptoKey> => {
  const pkcs8 = createPrivateKey(pem).export({ type: 'pkcs8', format: 'der' });
  return (await webcrypto.subtle.importKey('pkcs8', pkcs8, CURVE, true, ['sign'])) as never;
};
