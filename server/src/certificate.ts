import { X509Certificate } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const DAY_MS = 86_400_000;
/** A phone that was told to trust it isn't asked again for so long. */
const VALID_DAYS = 730;
/** Another is made this long before it ends, not in the middle of a class. */
const RENEWED_DAYS = 30;

export interface Certificate {
  readonly key: string;
  readonly cert: string;
  /** SHA-256 of it, as pairs of hex digits with colons between: what a phone shows as well. */
  readonly fingerprint: string;
}

const fingerprintOf = (cert: string): string => new X509Certificate(cert).fingerprint256;

/** Whether what lies there is a certificate that holds for a while; anything else is made anew. */
function holds(cert: string, now: number): boolean {
  try {
    const read = new X509Certificate(cert);
    return Date.parse(read.validFrom) <= now && Date.parse(read.validTo) - now > RENEWED_DAYS * DAY_MS;
  } catch {
    return false;
  }
}

/**
 * This machine's own certificate for the local network, made on first use and kept in the data folder for this user
 * alone. Nobody vouches for it: a phone asks once whether to trust it, and shows the fingerprint to compare.
 */
export async function certificateIn(folder: string, now: number): Promise<Certificate> {
  const [keyPath, certPath] = [join(folder, 'network-key.pem'), join(folder, 'network-certificate.pem')];
  if (existsSync(keyPath) && existsSync(certPath)) {
    const [key, cert] = [readFileSync(keyPath, 'utf8'), readFileSync(certPath, 'utf8')];
    if (holds(cert, now)) return { key, cert, fingerprint: fingerprintOf(cert) };
  }
  // Not read at every start: most never open the network.
  const { generate } = await import('selfsigned');
  const made = await generate([{ name: 'commonName', value: 'Inner Rung on this network' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    // A clock that is a little behind on a phone finds it valid all the same.
    notBeforeDate: new Date(now - DAY_MS),
    notAfterDate: new Date(now + VALID_DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames: [{ type: 2, value: 'localhost' }] },
    ],
  });
  writeFileSync(keyPath, made.private, { mode: 0o600 });
  writeFileSync(certPath, made.cert, { mode: 0o600 });
  return { key: made.private, cert: made.cert, fingerprint: fingerprintOf(made.cert) };
}
