import { build } from 'esbuild'

/** Writes what a device runs without a network as one file, from where a browser takes it: the root, so that it serves every page. */
export const writeOfflineWorker = (file: string): Promise<unknown> =>
  build({
    entryPoints: ['ui/offline/offline.worker.ts'],
    bundle: true,
    minify: true,
    format: 'iife',
    platform: 'browser',
    target: 'es2022',
    define: { 'process.env.NODE_ENV': '"production"' },
    outfile: file,
    logLevel: 'warning',
  })
