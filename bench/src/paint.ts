import { existsSync } from 'node:fs';
import { encodeLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { dayOf } from '@inner-rung/core/person';
import { RECORDS } from '@inner-rung/core/records';
import type { BrowserContext } from '@playwright/test';
import { scenarioOn } from '../../demo/src/index.ts';
import type { Documents } from '../../server/src/documents.ts';
import { type Row, row } from './measure.ts';
import { CHROMIUM, dist, withProduct } from './product.ts';

/** Pages that a trainer opens first, and what of each is content. */
const PAGES = [
  ['plan', '/plan/tuesday-ten', 'main li, [data-station], svg text'],
  ['plan’s floor', '/plan/tuesday-ten', '[data-station], svg text'],
  ['class', '/plan/tuesday-ten/class', 'main h1, main h2, main li'],
  ['ladders', '/ladders', 'main h2'],
  ['people', '/people', 'main h1, main li'],
  ['log', '/log', 'main h1, main table td'],
] as const;
const SLOWED = 4;
const LOADS = 5;
const TARGET = { content: 1800, blocked: 400, kB: 900 } as const;
/** After the content, until nothing more is heard of. */
const SETTLES_MS = 2500;

interface Load {
  readonly content: number;
  readonly blocked: number;
  readonly kB: number;
}

/** One first visit with nothing kept, the processor slowed: the browser's own figures. */
async function load(context: BrowserContext, url: string, content: string): Promise<Load> {
  const page = await context.newPage();
  const devtools = await context.newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  await devtools.send('Network.enable');
  let bytes = 0;
  devtools.on('Network.loadingFinished', (event) => {
    bytes += event.encodedDataLength;
  });
  await page.addInitScript((selector) => {
    const seen = globalThis as unknown as { blocked: number; content?: number };
    seen.blocked = 0;
    new PerformanceObserver((list) => {
      // What a task takes past 50 ms is time in which nobody is answered.
      for (const task of list.getEntries()) seen.blocked += task.duration - 50;
    }).observe({ type: 'longtask', buffered: true });
    new MutationObserver(() => {
      if (seen.content === undefined && document.querySelector(selector)?.textContent?.trim())
        requestAnimationFrame(() =>
          setTimeout(() => {
            seen.content ??= performance.now();
          }),
        );
    }).observe(document, { subtree: true, childList: true, characterData: true });
  }, content);
  await page.goto(url);
  await page.waitForFunction(() => (globalThis as { content?: number }).content !== undefined);
  await page.waitForTimeout(SETTLES_MS);
  const found = await page.evaluate(() => {
    const seen = globalThis as unknown as { blocked: number; content: number };
    return { content: seen.content, blocked: seen.blocked };
  });
  await page.close();
  return { ...found, kB: bytes / 1000 };
}

/** How soon pages show something on a first visit with the processor slowed four times, beside an answer of one line. */
export async function paintRows(base: Library): Promise<Row[]> {
  if (!existsSync(CHROMIUM) || !existsSync(dist)) {
    process.stderr.write('First paints aren’t measured: they take Chromium and a build (npm run build).\n');
    return [];
  }
  const scenario = scenarioOn(dayOf(new Date())) as unknown as Record<
    string,
    readonly { id: string }[] | undefined
  >;
  const fill = (store: Documents) => {
    for (const record of RECORDS)
      for (const body of scenario[record.collection] ?? []) store.create(record, body.id, body);
  };
  return withProduct(encodeLibrary(base), fill, async (browser, url) => {
    const rows: Row[] = [];
    const sent: number[] = [];
    const visit = async (path: string, content: string): Promise<Load[]> => {
      const loads: Load[] = [];
      for (let i = 0; i < LOADS; i++) {
        const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
        loads.push(await load(context, url + path, content));
        await context.close();
      }
      return loads;
    };
    const health = await visit('/api/health', 'body');
    const reference = { name: 'an answer of one line', samples: health.map((one) => one.content) };
    for (const [name, path, content] of PAGES) {
      const loads = await visit(path, content);
      rows.push(
        row(
          `${name} page, slowed ${SLOWED} times: first content`,
          loads.map((l) => l.content),
          TARGET.content,
          reference,
        ),
        row(
          `${name} page, slowed ${SLOWED} times: main thread blocked`,
          loads.map((l) => l.blocked),
          TARGET.blocked,
        ),
      );
      sent.push(...loads.map((l) => l.kB));
    }
    return [
      ...rows,
      { ...row('sent for a first visit, the most of five pages', sent, TARGET.kB), unit: 'kB' },
    ];
  });
}
