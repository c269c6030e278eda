import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

const derive = promisify(scrypt) as (secret: string, salt: Buffer, length: number) => Promise<Buffer>;
const KEY_BYTES = 32;
/** Longer is nobody's secret, and would only keep the machine busy. */
const LONGEST = 200;

/** What is kept of a secret that comes back: never the secret itself. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
/** 192 bits that nobody guesses, as they stand in an address or a cookie. */
export const freshToken = (): string => randomBytes(24).toString('base64url');

/** A secret that somebody chose, as it is kept: its salt and its scrypt key, both in hex. */
export async function keptSecret(secret: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(secret.slice(0, LONGEST), salt, KEY_BYTES);
  return `${salt.toString('hex')}:${key.toString('hex')}`;
}

/** Whether it is the secret that was kept. Takes as long where none was. */
export async function isSecret(secret: string, kept: string | undefined): Promise<boolean> {
  const [salt, key] = kept?.split(':') ?? [];
  const given = await derive(secret.slice(0, LONGEST), Buffer.from(salt ?? '00', 'hex'), KEY_BYTES);
  return key !== undefined && timingSafeEqual(given, Buffer.from(key, 'hex'));
}
