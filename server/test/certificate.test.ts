import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer, get } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TLSSocket } from 'node:tls';
import { certificateIn } from '../src/certificate.ts';

const folder = () => mkdtempSync(join(tmpdir(), 'inner-rung-certificate-'));
const DAY_MS = 86_400_000;
const NOW = Date.now();

test('is made once, for this user alone, and is the same the next time', async () => {
  const data = folder();
  const made = await certificateIn(data, NOW);
  expect(await certificateIn(data, NOW + DAY_MS)).toEqual(made);
  for (const file of ['network-key.pem', 'network-certificate.pem'])
    expect(statSync(join(data, file)).mode & 0o777).toBe(0o600);
  expect(new X509Certificate(made.cert).fingerprint256).toBe(made.fingerprint);
  expect(made.fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
  expect((await certificateIn(folder(), NOW)).fingerprint).not.toBe(made.fingerprint);
});

test('holds for two years, vouches for nobody else, and is made anew a month before it ends', async () => {
  const data = folder();
  const made = await certificateIn(data, NOW);
  const read = new X509Certificate(made.cert);
  expect(read.ca).toBe(false);
  const days = (Date.parse(read.validTo) - NOW) / DAY_MS;
  expect(days).toBeGreaterThan(729);
  expect(days).toBeLessThan(731);
  expect((await certificateIn(data, NOW + 699 * DAY_MS)).fingerprint).toBe(made.fingerprint);
  expect((await certificateIn(data, NOW + 701 * DAY_MS)).fingerprint).not.toBe(made.fingerprint);
});

test('what lies there and is none is made anew', async () => {
  const data = folder();
  const made = await certificateIn(data, NOW);
  for (const junk of ['', 'not a certificate', made.cert.slice(0, 200)]) {
    writeFileSync(join(data, 'network-certificate.pem'), junk);
    const again = await certificateIn(data, NOW);
    expect(again.fingerprint).not.toBe(made.fingerprint);
    expect(readFileSync(join(data, 'network-certificate.pem'), 'utf8')).toBe(again.cert);
  }
});

test('what a device is shown in the handshake is the fingerprint that is told; the traffic is sealed by today’s TLS', async () => {
  const { key, cert, fingerprint } = await certificateIn(folder(), NOW);
  const server = createServer({ key, cert }, (_request, response) => response.end('in')).listen(
    0,
    '127.0.0.1',
  );
  await new Promise((ready) => server.once('listening', ready));
  const { port } = server.address() as AddressInfo;
  const seen = await new Promise<{ shown: string; by: string | null; said: string }>((done, failed) => {
    get({ host: '127.0.0.1', port, rejectUnauthorized: false }, (answer) => {
      const socket = answer.socket as TLSSocket;
      let said = '';
      answer.on('data', (text: Buffer) => {
        said += String(text);
      });
      const told = { shown: socket.getPeerCertificate().fingerprint256, by: socket.getProtocol() };
      answer.on('end', () => done({ ...told, said }));
    }).on('error', failed);
  });
  // Whoever doesn't say to go on gets nothing.
  const strict = await new Promise<string>((done) => {
    get({ host: '127.0.0.1', port }, () => done('in')).on('error', (error) =>
      done((error as NodeJS.ErrnoException).code ?? ''),
    );
  });
  server.close();
  expect(seen).toEqual({ shown: fingerprint, by: 'TLSv1.3', said: 'in' });
  expect(strict).toBe('DEPTH_ZERO_SELF_SIGNED_CERT');
});
