import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

describe('import rules', () => {
  it('are really checked: a file that breaks them is caught', () => {
    const folder = mkdtempSync(join(import.meta.dirname, '../core/model/tmp-'))
    const bad = {
      node: "import 'node:fs'",
      server: "import { x } from '../../../server/app'\nconsole.log(x)",
      react: "import 'react'",
      clock: 'export const t = Date.now()',
      // The order of the house, types included: the model knows nothing of runs.
      order: "import type { RunState } from '../../run/state'\nexport type T = RunState",
    }
    try {
      for (const [name, text] of Object.entries(bad)) writeFileSync(join(folder, `${name}.ts`), text)
      const lint = spawnSync('npx', ['--no-install', 'oxlint', '-c', 'oxlint.config.mjs', '-f', 'unix', folder], {
        encoding: 'utf8',
      })
      expect(lint.status).toBe(1)
      const caught = lint.stdout.split('\n').filter((line) => line.includes('no-restricted'))
      for (const name of Object.keys(bad))
        expect(
          caught.some((line) => line.includes(`/${name}.ts:`)),
          name,
        ).toBe(true)
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
    expect(existsSync(folder)).toBe(false)
  })
})
