import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { viteSingleFile } from 'vite-plugin-singlefile';

/** The session pack: one HTML file with everything in it, fonts too. */
export default defineConfig({
  plugins: [react(), tailwindcss(), viteSingleFile()],
  publicDir: false,
  build: { target: 'es2022', outDir: 'dist-pack', rolldownOptions: { input: 'pack.html' } },
});
