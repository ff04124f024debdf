import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  resolve: { conditions: ['@same-song/source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: {
    manifest: true,
    target: 'es2022',
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    // What many parts share is one file: a dozen small ones compress worse than all of them together.
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'shared', minShareCount: 7 }] } } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4870' } },
});
