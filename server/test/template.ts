import { build } from 'esbuild'
import { makeTemplate } from '../../demo/template'
import { seedDemo } from '../../demo/seed'
import { openDatabase } from '../db/open'
import { eight } from './day'
import { everyHouse, freshDatabase, seededVariable } from './store'

/** What is started as a process of its own in a test is bundled once: a start is then no compiling. */
async function bundle(): Promise<void> {
  await build({
    entryPoints: { demo: 'demo/main.ts', jade: 'cli/jade.ts' },
    entryNames: '[name]',
    chunkNames: 'part-[name]-[hash]',
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    outdir: '.cache',
    logLevel: 'warning',
  })
}

/** On a PostgreSQL server: the demo's data in one database, which the houses copy. */
async function seeded(server: string): Promise<() => Promise<void>> {
  const made = await freshDatabase(server)
  const { db, close } = await openDatabase(made.url)
  await seedDemo(db, eight, 'Etc/UTC')
  await close()
  process.env[seededVariable] = made.name
  return made.drop
}

export default async (): Promise<() => Promise<void> | void> => {
  await bundle()
  return everyHouse ? seeded(everyHouse) : makeTemplate(eight)
}
