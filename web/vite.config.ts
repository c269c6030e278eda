import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    sourcemap: false,
    // A screen's script asks for its own parts: naming each of them in the page takes longer than they do.
    modulePreload: { resolveDependencies: (_, deps, { hostType }) => (hostType === 'html' ? deps : []) },
  },
  worker: { format: 'es' },
  server: {
    port: 5173,
    strictPort: true,
    proxy: { '/api': `http://127.0.0.1:${process.env['PORT'] ?? '4690'}` },
  },
});
