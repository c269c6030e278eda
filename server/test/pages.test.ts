import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import express from 'express';
import fc from 'fast-check';
import request from 'supertest';
import { assets } from '../src/assets.ts';
import { pages } from '../src/pages.ts';

const HTML = '<!doctype html><html><head><title>x</title></head><body></body></html>';

function built(first: unknown = null): string {
  const folder = mkdtempSync(join(tmpdir(), 'inner-rung-pages-'));
  writeFileSync(join(folder, 'index.html'), HTML);
  if (first) writeFileSync(join(folder, 'first.json'), JSON.stringify(first));
  return folder;
}
const page = pages(
  built([
    { path: '/plan/:id/class', scripts: ['/assets/class.js'], needs: ['plans/:id', 'runs'] },
    { path: '/plan/:id', scripts: ['/assets/plan.js', '/assets/floor.js'], needs: ['plans/:id'] },
    { path: '/people/:id/:part?', scripts: ['/assets/person.js'], needs: [] },
    { path: '/may/:id?', scripts: ['/assets/may.js'], needs: ['reviews'] },
  ]),
);
const links = (path: string) => [...page(path).matchAll(/href="([^"]+)"/g)].map(([, to]) => to);

test('a page names the scripts of its address, and what it will ask for', () => {
  expect(links('/plan/tuesday-ten')).toEqual([
    '/assets/plan.js',
    '/assets/floor.js',
    '/api/plans/tuesday-ten',
  ]);
  expect(links('/plan/tuesday-ten/')).toEqual(links('/plan/tuesday-ten'));
  expect(links('/plan/tuesday-ten/class')).toEqual([
    '/assets/class.js',
    '/api/plans/tuesday-ten',
    '/api/runs',
  ]);
});

test('a part that may be left out', () => {
  for (const path of ['/people/maud', '/people/maud/limits'])
    expect(links(path)).toEqual(['/assets/person.js']);
  for (const path of ['/may', '/may/sore-knees']) expect(links(path)).toContain('/assets/may.js');
});

test('an address that leads nowhere gets the page as it was built', () => {
  for (const path of ['/', '/nowhere', '/plan', '/plan/a/b/c', '/people/a/b/c'])
    expect(page(path)).toBe(HTML);
});

test('a product built without the table serves its page', () => {
  expect(pages(built())('/plan/tuesday-ten')).toBe(HTML);
});

test('nothing of an address is written into a page but an id', () => {
  expect(links('/plan/%3Cscript%3E')).toEqual([
    '/assets/plan.js',
    '/assets/floor.js',
    '/api/plans/%3Cscript%3E',
  ]);
  fc.assert(
    fc.property(
      fc.oneof(fc.string(), fc.constantFrom('"><script>', "' onload='", '&quot;', '$&', '$`')),
      (id) => {
        const html = page(`/plan/${id}`);
        const head = html.slice(0, html.indexOf('</head>'));
        // Whatever is asked for, the head holds the title and whole links of the known shape, and nothing else.
        const rest = head
          .replace('<!doctype html><html><head><title>x</title>', '')
          .replace(/<link rel="modulepreload" crossorigin href="\/assets\/\w+\.js">/g, '')
          .replace(/<link rel="preload" as="fetch" crossorigin href="\/api\/[\w%.~/-]+">/g, '');
        expect(rest).toBe('');
        expect(html.endsWith('</head><body></body></html>')).toBe(true);
      },
    ),
  );
});

describe('files of the interface', () => {
  const folder = join(built(), 'assets');
  mkdirSync(folder);
  writeFileSync(join(folder, 'a-1.js'), 'let a = 1;');
  writeFileSync(join(folder, 'a-1.js.gz'), gzipSync('let a = 1;'));
  writeFileSync(join(folder, 'b-2.woff2'), 'font');
  const app = express().use('/assets', assets(folder));
  const raw = (path: string, accepts: string) =>
    request(app)
      .get(path)
      .set('Accept-Encoding', accepts)
      .buffer(true)
      .parse((answer, done) => {
        const parts: Buffer[] = [];
        answer.on('data', (part: Buffer) => parts.push(part));
        answer.on('end', () => done(null, Buffer.concat(parts)));
      });

  test('packed to whom reads it, and named for what it is', async () => {
    const packed = await raw('/assets/a-1.js', 'gzip, deflate');
    expect(packed.headers).toMatchObject({ vary: 'Accept-Encoding' });
    expect(packed.headers['content-type']).toMatch(/javascript/);
    expect(packed.headers['cache-control']).toMatch(/immutable/);
    const bytes = packed.body as Buffer;
    expect(String(bytes[0] === 0x1f ? gunzipSync(bytes) : bytes)).toBe('let a = 1;');
    expect(packed.headers['content-encoding']).toBe('gzip');
  });
  test('plain to whom doesn’t, or where nothing is packed', async () => {
    const plain = await raw('/assets/a-1.js', 'identity');
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(String(plain.body)).toBe('let a = 1;');
    const font = await raw('/assets/b-2.woff2', 'gzip');
    expect(font.headers['content-encoding']).toBeUndefined();
  });
  test('what isn’t there is a 404, and nothing outside is reached', async () => {
    expect((await raw('/assets/none.js', 'gzip')).status).toBe(404);
    for (const path of ['/assets/../index.html', '/assets/%2e%2e/index.html', '/assets/%2e%2e%2findex.html'])
      expect([403, 404]).toContain((await raw(path, 'gzip')).status);
  });
});
