import { createCipheriv, createDecipheriv, randomBytes, scrypt } from 'node:crypto';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { ProblemError } from './problem.ts';

/**
 * The file that is kept elsewhere: the line `INNERRUNG-COPY 1`, a line of JSON with how the key was made
 * (`{"kdf":"scrypt","N":…,"r":…,"p":…,"salt":…,"iv":…}`, base64), then the database, gzipped and sealed with
 * AES-256-GCM, its 16-byte tag last. Both lines are sealed with it: nothing of the file can be changed unseen.
 */
const MAGIC = 'INNERRUNG-COPY 1\n';
const KEY = { N: 2 ** 15, r: 8, p: 1 } as const;
const KEY_BYTES = 32;
const TAG_BYTES = 16;
/** No more comes out of a file, however small it is. */
const MOST_BYTES = 1024 ** 3;
const LEAST_PASSPHRASE = 10;

const derive = promisify(scrypt) as (
  secret: string,
  salt: Buffer,
  length: number,
  options: { N: number; r: number; p: number; maxmem: number },
) => Promise<Buffer>;
const packed = promisify(gzip);
const unpacked = promisify(gunzip) as (data: Buffer, options: { maxOutputLength: number }) => Promise<Buffer>;
const keyFrom = (passphrase: string, salt: Buffer) =>
  derive(passphrase.normalize('NFC'), salt, KEY_BYTES, { ...KEY, maxmem: 64 * 1024 ** 2 });

const fault = (detail: string, field: string, fix: string) =>
  new ProblemError({ status: 422, title: 'This file doesn’t open', detail, field, fix });

/** Seals bytes with a passphrase of {@link LEAST_PASSPHRASE} letters at the least. */
export async function seal(bytes: Uint8Array, passphrase: string): Promise<Buffer> {
  if (passphrase.trim().length < LEAST_PASSPHRASE || passphrase.length > 500)
    throw new ProblemError({
      status: 422,
      title: 'A longer passphrase',
      detail: `A passphrase has ${LEAST_PASSPHRASE} letters at the least: a few words that nobody would guess.`,
      field: 'passphrase',
    });
  const salt = randomBytes(16);
  const iv = randomBytes(12);
  const header = { kdf: 'scrypt', ...KEY, salt: salt.toString('base64'), iv: iv.toString('base64') };
  const lines = Buffer.from(`${MAGIC}${JSON.stringify(header)}\n`);
  const cipher = createCipheriv('aes-256-gcm', await keyFrom(passphrase, salt), iv);
  cipher.setAAD(lines);
  const body = Buffer.concat([cipher.update(await packed(bytes)), cipher.final()]);
  return Buffer.concat([lines, body, cipher.getAuthTag()]);
}

/** Opens what {@link seal} made; says whether it is none of ours, of a newer program, cut, or of another passphrase. */
export async function unseal(file: Buffer, passphrase: string): Promise<Buffer> {
  const choose = 'Choose a file that “A file to keep elsewhere” has made.';
  const first = file.subarray(0, MAGIC.length).toString('latin1');
  if (!first.startsWith('INNERRUNG-COPY '))
    throw fault('It is no copy of Inner Rung’s data.', 'file', choose);
  if (first !== MAGIC)
    throw fault('It was made by a newer Inner Rung.', 'file', 'Update Inner Rung, then bring it in again.');
  const end = file.indexOf(0x0a, MAGIC.length);
  const lines = file.subarray(0, end + 1);
  let header: { salt: string; iv: string; N: number; r: number; p: number };
  try {
    header = JSON.parse(lines.subarray(MAGIC.length).toString('utf8'));
    if (header.N !== KEY.N || header.r !== KEY.r || header.p !== KEY.p) throw new Error('other key');
  } catch {
    throw fault('Its beginning can’t be read: it was changed, or only half of it is here.', 'file', choose);
  }
  const body = file.subarray(end + 1);
  if (body.length <= TAG_BYTES)
    throw fault('Only half of it is here.', 'file', 'Copy it again from where it is kept.');
  const key = await keyFrom(passphrase, Buffer.from(header.salt, 'base64'));
  const decipher = createDecipheriv('aes-256-gcm', key, Buffer.from(header.iv, 'base64'));
  decipher.setAAD(lines);
  decipher.setAuthTag(body.subarray(-TAG_BYTES));
  let inner: Buffer;
  try {
    inner = Buffer.concat([decipher.update(body.subarray(0, -TAG_BYTES)), decipher.final()]);
  } catch {
    throw fault(
      'The passphrase isn’t the one it was made with, or the file was cut or changed.',
      'passphrase',
      'Try the passphrase again; if it is right, copy the file again from where it is kept.',
    );
  }
  try {
    return await unpacked(inner, { maxOutputLength: MOST_BYTES });
  } catch {
    throw fault('What is in it is larger than any data of ours.', 'file', choose);
  }
}
