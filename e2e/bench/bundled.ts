import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'vite';

const root = fileURLToPath(new URL('../..', import.meta.url));
/** Under node_modules, so that packages that are not bundled are found from there. */
const FOLDER = `${root}node_modules/.cache/bench`;

/**
 * Imports a file of this folder as the app ships its code: bundled, without what a loader of single files adds to every
 * function. Working out a large job anew takes half as long again with it.
 */
export async function importBundled<Module>(name: string): Promise<Module> {
  await build({
    configFile: false,
    root,
    logLevel: 'error',
    ssr: { noExternal: [/^@zest\//] },
    build: {
      ssr: fileURLToPath(new URL(`${name}.ts`, import.meta.url)),
      outDir: FOLDER,
      emptyOutDir: false,
      target: 'es2022',
      rollupOptions: { output: { entryFileNames: `${name}.mjs` } },
    },
  });
  return (await import(pathToFileURL(`${FOLDER}/${name}.mjs`).href)) as Module;
}
