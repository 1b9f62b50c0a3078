import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

describe('import rules', () => {
  it('are really checked: a file that breaks them is caught', () => {
    const folder = mkdtempSync(join(import.meta.dirname, '../core/model/tmp-'))
    const write = (text: string) => spawnSync('sh', ['-c', `cat > ${join(folder, 'bad.ts')}`], { input: text })
    try {
      for (const bad of [
        "import 'node:fs'",
        "import { x } from '../../../server/app'\nconsole.log(x)",
        "import 'react'",
        'export const t = Date.now()',
        // The order of the house, types included: the model knows nothing of runs.
        "import type { RunState } from '../../run/state'\nexport type T = RunState",
      ]) {
        write(bad)
        const lint = spawnSync('npx', ['--no-install', 'oxlint', '-c', 'oxlint.config.mjs', folder], {
          encoding: 'utf8',
        })
        expect(`${bad}: ${lint.status}`).toBe(`${bad}: 1`)
        expect(lint.stdout).toMatch(/no-restricted/)
      }
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
    expect(existsSync(folder)).toBe(false)
  })
})
