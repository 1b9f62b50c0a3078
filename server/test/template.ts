import { build } from 'esbuild'
import { makeTemplate } from '../../demo/template'
import { eight } from './day'

/** What is started as a process of its own in a test is bundled once: a start is then no compiling. */
async function bundle(): Promise<void> {
  await build({
    entryPoints: ['server/main.ts', 'cli/jade.ts'],
    entryNames: '[name]',
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    outdir: '.cache',
    logLevel: 'warning',
  })
}

export default async (): Promise<() => void> => {
  await bundle()
  return makeTemplate(eight)
}
