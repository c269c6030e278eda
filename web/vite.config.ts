import { resolve } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { firstScripts, packed } from './first-scripts.ts';

/** Packages that every page stands on. */
const EVERYWHERE =
  /web[\\/]src[\\/]vendor\.ts$|node_modules[\\/](?:react-router|react-redux|redux(?:-\w+)?|@reduxjs|immer|reselect|zod|use-sync-external-store|set-cookie-parser|cookie)[\\/]/;

/** Our own, and what is small and everywhere: a chart's or a search's package stays with who uses it. */
const OURS = /(?:core|web)[\\/]src[\\/]|react-hotkeys-hook/;

/** What draws people: nothing to a page of names. */
const DRAWS = /core[\\/]src[\\/]figure[\\/]|web[\\/]src[\\/]ui[\\/][\w-]*figure[\w-]*\.tsx$/;

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    firstScripts(
      resolve(import.meta.dirname, 'src/main.tsx'),
      resolve(import.meta.dirname, 'src/app/screens.ts'),
    ),
    packed(),
  ],
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    sourcemap: false,
    // The server names a screen's scripts in the page; those of a screen that is gone to ask for their own parts.
    // Browsers that run these scripts know how to fetch them ahead.
    modulePreload: {
      polyfill: false,
      resolveDependencies: (_, deps, { hostType }) => (hostType === 'html' ? deps : []),
    },
    rolldownOptions: {
      output: {
        codeSplitting: {
          // A script of its own costs more than the few kilobytes that a page has in it and doesn't need.
          groups: [
            // By itself: the page's first script stands on it alone.
            { name: 'thread', test: /engine[\\/]worker\.ts$/, priority: 5 },
            { name: 'react', test: /node_modules[\\/](?:react|react-dom|scheduler)[\\/]/, priority: 4 },
            { name: 'vendor', test: EVERYWHERE, priority: 3 },
            { name: 'icons', test: /lucide-react/, priority: 2 },
            {
              name: 'common',
              test: (id) => OURS.test(id) && !DRAWS.test(id),
              minShareCount: 8,
              priority: 2,
            },
            { name: 'figures', test: DRAWS, minShareCount: 8, priority: 1 },
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
