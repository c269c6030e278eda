import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { encodeLibrary } from '@inner-rung/core/forms';
import { type Library, type LibraryFile, openLibrary, type WrittenLadder } from '@inner-rung/core/ladder';
import type { Page } from '@playwright/test';
import { shippedFiles } from './generated.ts';
import { type Row, row } from './measure.ts';
import { CHROMIUM, dist, withProduct } from './product.ts';

/** Two frames of a 60 Hz screen: one missed frame is not seen, two are. */
const SMOOTH_MS = 34;

/** What the first screen loads before it shows anything. */
export function weightRows(): Row[] {
  const assets = join(dist, 'assets');
  if (!existsSync(assets)) return [];
  const first = readdirSync(assets).filter((name) => /^index-.*\.js$/.test(name));
  const kB = first.reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, name))).length, 0) / 1000;
  return [
    {
      name: 'first screen’s script, gzip',
      unit: 'kB',
      median: kB,
      p95: kB,
      target: 250,
      met: kB <= 250,
      reference: null,
    },
  ];
}

/** The shipped library's files and one more, of copies, until there are so many ladders. */
function filesOf(count: number, base: Library): LibraryFile[] {
  const files = shippedFiles();
  const copies: WrittenLadder[] = [];
  for (let copy = 1; base.ladders.length + copies.length < count; copy++)
    for (const ladder of base.ladders) {
      if (base.ladders.length + copies.length >= count) break;
      copies.push({
        ...ladder,
        id: `${ladder.id}-${copy}`,
        name: `${ladder.name} ${copy}`,
        branchOf: ladder.branchOf.map((id) => `${id}-${copy}`),
      });
    }
  const here = new Set(copies.map((l) => l.id));
  const ladders = copies.map((l) => ({ ...l, branchOf: l.branchOf!.filter((id) => here.has(id)) }));
  return [
    ...files,
    ...ladders.map((ladder) => ({ name: `ladders/copies/${ladder.id}.json`, json: { ladder } })),
  ];
}

/** Milliseconds between frames while the page is scrolled from top to bottom in a hundred turns of a wheel. */
async function framesWhileScrolling(page: Page): Promise<number[]> {
  return page.evaluate(async () => {
    const gaps: number[] = [];
    const step = (document.documentElement.scrollHeight - innerHeight) / 100;
    let before = await new Promise<number>(requestAnimationFrame);
    for (let i = 0; i < 100; i++) {
      scrollBy(0, step);
      const now = await new Promise<number>(requestAnimationFrame);
      gaps.push(now - before);
      before = now;
    }
    return gaps;
  });
}

/** The ladder wall with 300 ladders, scrolled and filtered in Chromium. */
export async function wallRows(base: Library): Promise<Row[]> {
  if (!existsSync(CHROMIUM) || !existsSync(dist)) {
    process.stderr.write('The ladder wall isn’t measured: it takes Chromium and a build (npm run build).\n');
    return [];
  }
  const files = filesOf(300, base);
  return withProduct(
    encodeLibrary(openLibrary(files)),
    () => undefined,
    async (browser, url) => {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(`${url}/ladders`);
      await page.getByRole('heading', { level: 2 }).first().waitFor();
      const wall: number[] = [];
      for (let i = 0; i < 4; i++) {
        await page.evaluate(() => scrollTo(0, 0));
        wall.push(...(await framesWhileScrolling(page)));
      }
      const filters: number[] = [];
      for (const avoid of ['kneeling', 'leaving the floor', 'arms overhead', 'kneeling', 'twisting', '']) {
        filters.push(
          await page.evaluate(async (value) => {
            const choice = document.querySelector<HTMLSelectElement>('#wall-without')!;
            const start = performance.now();
            choice.value = value;
            choice.dispatchEvent(new Event('change', { bubbles: true }));
            await new Promise((seen) => requestAnimationFrame(() => setTimeout(seen)));
            return performance.now() - start;
          }, avoid),
        );
      }
      const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      const rungs = openLibrary(files).ladders.flatMap((l) => l.rungs.map((r) => base.move(r.move)!.name));
      await bare.setContent(
        `<ul>${rungs.map((name) => `<li style="height:12px">${name}</li>`).join('')}</ul>`,
      );
      const list: number[] = [];
      for (let i = 0; i < 4; i++) {
        await bare.evaluate(() => scrollTo(0, 0));
        list.push(...(await framesWhileScrolling(bare)));
      }
      return [
        row('a frame while the wall of 300 ladders scrolls', wall, SMOOTH_MS, {
          name: 'a bare list of the same rungs',
          samples: list,
        }),
        row('bar a limit on the wall of 300 ladders, to the next frame', filters, null),
      ];
    },
  );
}
