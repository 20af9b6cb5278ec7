import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  html: { cspNonce: '__CSP_NONCE__' },
  // The solver's package asks for it under Node only.
  worker: { format: 'es', rolldownOptions: { external: ['node:module'] } },
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': 'http://127.0.0.1:4170' } },
});
