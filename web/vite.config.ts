import { resolve } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { early, firstScripts, packed } from './first-scripts.ts';

/** Begun before the rest is read: in a script of its own. */
const EARLY = /engine[\\/]worker\.ts$|src[\\/]early\.ts$/;
/** Our own, and what is small and everywhere: a chart's or a search's package stays with who uses it. */
const OURS = /(?:core|web)[\\/]src[\\/]|lucide-react|react-hotkeys-hook/;

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    firstScripts(resolve(import.meta.dirname, 'src/app/app.tsx')),
    early(['early', 'vendor']),
    packed(),
  ],
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    sourcemap: false,
    // The server names a screen's scripts in the page; those of a screen that is gone to ask for their own parts.
    modulePreload: { resolveDependencies: (_, deps, { hostType }) => (hostType === 'html' ? deps : []) },
    rolldownOptions: {
      input: { index: 'index.html', early: 'src/early.ts' },
      output: {
        codeSplitting: {
          // A script of its own costs more than the few kilobytes that a page has in it and doesn't need.
          groups: [
            { name: 'begin', test: EARLY, priority: 5 },
            { name: 'vendor', test: /node_modules/, tags: ['$initial'], priority: 4 },
            { name: 'base', tags: ['$initial'], priority: 3 },
            { name: 'common', test: OURS, minShareCount: 8, priority: 1 },
          ],
        },
      },
    },
  },
  worker: { format: 'es' },
  server: {
    port: 5173,
    strictPort: true,
    proxy: { '/api': `http://127.0.0.1:${process.env['PORT'] ?? '4690'}` },
  },
});
