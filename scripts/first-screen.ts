/** What the Day screen needs before it can show, by the build's own manifest. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { sure } from '../core/sure'

interface Chunk {
  file: string
  imports?: string[]
  isEntry?: boolean
}

/** Compressed JavaScript of the first screen, bytes. Needs a build in dist/web. */
export function firstScreenBytes(): number {
  const manifest: Record<string, Chunk> = JSON.parse(readFileSync('dist/web/.vite/manifest.json', 'utf8'))
  const files = new Set<string>()
  const add = (key: string): void => {
    const chunk = manifest[key]
    if (!chunk || files.has(chunk.file)) return
    files.add(chunk.file)
    chunk.imports?.forEach(add)
  }
  const keys = Object.keys(manifest)
  add(sure(keys.find((k) => sure(manifest[k]).isEntry)))
  add(sure(keys.find((k) => k.endsWith('day/day-screen.tsx'))))
  return [...files].reduce((sum, f) => sum + gzipSync(readFileSync(join('dist/web', f))).length, 0)
}
