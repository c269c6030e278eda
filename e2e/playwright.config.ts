import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import chromium from '../scripts/chromium.json' with { type: 'json' };

const executablePath = process.env['CHROMIUM'] ?? chromium.paths.find((path) => existsSync(path));
// Set once by the first process that reads this file, so that workers and server share one folder.
process.env['E2E_DATA'] ??= mkdtempSync(join(tmpdir(), 'inner-rung-e2e-'));
const port = Number(process.env['E2E_PORT'] ?? 4699);

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  fullyParallel: false,
  // A file to a worker; every file starts a server of its own.
  workers: 2,
  retries: 0,
  timeout: 120_000,
  // Long: what is asked is whether it comes, on however busy a machine; how fast is for bench/.
  expect: { timeout: 20_000 },
  reporter: [['list']],
  outputDir: '../test-results',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 20_000,
    reducedMotion: 'reduce',
    // What stands between page and server is tried by itself; elsewhere it would answer for a server that is away.
    serviceWorkers: 'block',
    launchOptions: {
      ...(executablePath ? { executablePath } : {}),
      args: chromium.flags,
    },
  },
});
