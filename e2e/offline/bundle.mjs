/** Bundles what a test runs in a page by itself: `node bundle.mjs entry.ts out.js`. */
import { writeFileSync } from 'node:fs';
import { build } from 'vite';

const [entry, out] = process.argv.slice(2);
const built = await build({
  configFile: false,
  logLevel: 'error',
  define: { 'process.env.NODE_ENV': '"production"' },
  build: { write: false, minify: false, lib: { entry, formats: ['iife'], name: 'offline' } },
});
writeFileSync(out, (Array.isArray(built) ? built[0] : built).output[0].code);
