import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { type Plugin, defineConfig } from 'vite';

const root = fileURLToPath(new URL('..', import.meta.url));

/** Folders whose files are served as they are, by the path they get. */
const SERVED: Readonly<Record<string, string>> = {
  'pdf/cmaps/': `${root}node_modules/pdfjs-dist/cmaps/`,
  'pdf/fonts/': `${root}node_modules/pdfjs-dist/standard_fonts/`,
  'pdf/wasm/': `${root}node_modules/pdfjs-dist/wasm/`,
  'pdf/icc/': `${root}node_modules/pdfjs-dist/iccs/`,
  'demo/': `${root}demo/files/`,
};

/** Ships what pdf.js and the demo read at run time with the app, so that nothing comes from elsewhere. */
function serveAlongside(): Plugin {
  return {
    name: 'serve-alongside',
    configureServer(server) {
      server.middlewares.use((request, response, next) => {
        const path = decodeURIComponent((request.url ?? '').slice(1).split('?')[0] ?? '');
        const prefix = Object.keys(SERVED).find((each) => path.startsWith(each));
        const name = prefix === undefined ? '' : path.slice(prefix.length);
        if (prefix === undefined || !/^[\w.-]+$/.test(name)) return next();
        response.end(readFileSync(`${SERVED[prefix]}${name}`));
      });
    },
    generateBundle() {
      for (const [prefix, folder] of Object.entries(SERVED))
        for (const name of readdirSync(folder))
          this.emitFile({ type: 'asset', fileName: prefix + name, source: readFileSync(folder + name) });
    },
  };
}

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [react(), serveAlongside()],
  // The server puts the nonce of each answer in its place; the development server sends no policy.
  html: { cspNonce: 'ZEST_NONCE' },
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 4000 },
  optimizeDeps: { include: ['comlink', 'rbush', 'pdfjs-dist'] },
});
