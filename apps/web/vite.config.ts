import react from '@vitejs/plugin-react';
import { basename, dirname, resolve } from 'node:path';
import { defaultClientConditions, defineConfig, type Plugin } from 'vite';

/** A worker as it is begun in the page's code. */
const WORKER_URL = /new Worker\(new URL\('([^']+)', import\.meta\.url\)/gu;

/**
 * Builds the workers that compute together with the page instead of each by itself, so that the files that they share are
 * fetched once. The ear and the clock stay by themselves: they must begin at once.
 */
function workersInPage(): Plugin {
  return {
    name: 'workers-in-page',
    apply: 'build',
    enforce: 'pre',
    transform(code, id) {
      if (!code.includes('new Worker(')) return undefined;
      return code.replace(WORKER_URL, (call, path: string) => {
        const file = resolve(dirname(id), path);
        if (!/[\\/]compute[\\/]/.test(file)) return call;
        const part = this.emitFile({ type: 'chunk', id: file, name: `worker-${basename(path, '.ts')}` });
        return `new Worker(import.meta.ROLLUP_FILE_URL_${part}`;
      });
    },
  };
}

export default defineConfig({
  plugins: [workersInPage(), react()],
  resolve: { conditions: ['@same-song/source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: {
    manifest: true,
    target: 'es2022',
    // A worker has no document to which a preload could be added.
    modulePreload: {
      polyfill: false,
      resolveDependencies: (_, files, { hostId }) => (/worker-/.test(hostId) ? [] : files),
    },
    assetsInlineLimit: 0,
    cssCodeSplit: false,
    // What many parts share is one file, and what page and workers compute with another: a place is fetched in fewer than
    // twenty requests, and many small files compress worse.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'core',
              test: /packages[\\/]core[\\/]|node_modules[\\/](valibot|comlink)[\\/]/,
              minShareCount: 2,
            },
            { name: 'shared', minShareCount: 4 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4870' } },
});
