import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

const SERVICE_WORKER = 'service-worker';
/** The exact solver is large, and a plan is found without it. */
const NOT_KEPT = /\.wasm$/;

/** What is drawn often: the compiler keeps what has not changed. Elsewhere it would only make the first page larger. */
const COMPILED = /src\/features\/(course|map|material|lesson|recap|check|course-settings)\/.*\.tsx?$/;

/** A service worker has one name for ever, and is told which files this build has. */
function tellServiceWorker(): Plugin {
  return {
    name: 'tell-service-worker',
    generateBundle: {
      order: 'post',
      handler(_, bundle) {
        const worker = bundle[`${SERVICE_WORKER}.js`];
        if (worker?.type !== 'chunk') throw new Error('the service worker was not built');
        const files = Object.keys(bundle).filter(file => file.startsWith('assets/') && !NOT_KEPT.test(file));
        const paths = [...files, 'mark.svg'].map(file => `/${file}`);
        worker.code = `const FILES = ${JSON.stringify(paths)};\n${worker.code}`;
      },
    },
  };
}

export default defineConfig({
  plugins: [react({ compiler: true, include: COMPILED }), tellServiceWorker()],
  html: { cspNonce: '__CSP_NONCE__' },
  // The solver's package asks for it under Node only.
  worker: { format: 'es', rolldownOptions: { external: ['node:module'] } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      input: { index: 'index.html', [SERVICE_WORKER]: `src/${SERVICE_WORKER}.ts` },
      output: {
        entryFileNames: ({ name }) => (name === SERVICE_WORKER ? '[name].js' : 'assets/[name]-[hash].js'),
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4170' } },
});
