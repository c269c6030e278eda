import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig } from 'vite';

const built = join(import.meta.dirname, 'dist');

/** What stands between page and server: one script at the root, with the names of all that the pages are made of. */
export default defineConfig({
  publicDir: false,
  define: {
    FILES: JSON.stringify(
      readdirSync(join(built, 'assets'))
        .filter((name) => !name.endsWith('.gz'))
        .map((name) => `/assets/${name}`),
    ),
  },
  build: {
    target: 'es2022',
    emptyOutDir: false,
    lib: { entry: 'src/offline/service.ts', formats: ['es'], fileName: () => 'service.js' },
  },
});
