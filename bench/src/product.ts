import { existsSync, mkdtempSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type Browser, chromium } from '@playwright/test';
import { pino } from 'pino';
import chromiumHere from '../../scripts/chromium.json' with { type: 'json' };
import { createApp } from '../../server/src/app.ts';
import { openDatabase, openDataFolder } from '../../server/src/database.ts';
import type { Documents } from '../../server/src/documents.ts';
import { keptIn } from '../../server/src/kept.ts';

export const dist = join(dirname(fileURLToPath(import.meta.url)), '../../web/dist');
const { paths, flags } = chromiumHere;
export const CHROMIUM =
  process.env['CHROMIUM'] ?? paths.find((path) => existsSync(path)) ?? '/usr/bin/chromium';

/**
 * The built product with a library's file, in a data folder of its own that `fill` puts records into, and Chromium to
 * look at it; both are gone once `use` is done.
 */
export async function withProduct<T>(
  library: Uint8Array<ArrayBuffer>,
  fill: (store: Documents) => void,
  use: (browser: Browser, url: string) => Promise<T>,
): Promise<T> {
  const db = openDatabase(openDataFolder(mkdtempSync(join(tmpdir(), 'inner-rung-bench-'))));
  const kept = keptIn(
    db,
    () => Date.now(),
    () => performance.now(),
  );
  fill(kept.documents);
  const app = createApp({
    ...kept,
    library,
    log: pino({ level: 'silent' }),
    demo: true,
    web: dist,
  });
  const server = app.listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  let browser: Browser | undefined;
  try {
    browser = await chromium.launch({ executablePath: CHROMIUM, args: flags });
    return await use(browser, `http://127.0.0.1:${(server.address() as AddressInfo).port}`);
  } finally {
    await browser?.close();
    server.close();
    db.close();
  }
}
