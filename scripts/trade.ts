/**
 * docs/trade.md: what the plans promise, made from the titles of the tests that hold it. A title begins with the numbers of its lines
 * and says the rule in a sentence.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

interface Promised {
  ids: string[]
  says: string
  test: string
}

/** Under which heading a promise stands: the first whose words it has. */
const subjects: readonly (readonly [title: string, words: RegExp])[] = [
  ['Asleep and children', /asleep|anaesthetist|child|waking|throat pack/i],
  ['Numbing', /numb|needle|cartridge|pulp|cold|injection|block|kit at hand/i],
  ['Eyes, films, and who does it', /eyes|film|polishing|assistant|bench|bur or a blade/i],
  ['Cord, paste and gum', /cord|paste|gum|weep|tissue/i],
  ['Burs and depth', /bur|groove|finisher|wall|slow round|margin nothing wider|strips/i],
  ['Impression, trays, provisional', /tray|impression|scan|silicone|index|provisional|dual-arch/i],
  ['The piece and its bond', /piece|framework|zirconia|cement|veneer|edge/i],
  ['Counts, amounts, tray', /count|reserve|parts of an amount|compule|capsule|sheet comes off/i],
  ['Fillings, cores, gold', /amalgam|liner|fill|cusp|floor|gold|powder|lamp|canal|layers/i],
]
const other = 'Everything else'

function* testFiles(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* testFiles(path)
    else if (/\.test\.tsx?$/.test(entry.name)) yield path
  }
}

/** "A7 where a needle is used …", "A15, B126 what guards …", "B5 C108 no preset …". */
const title = /(?:it|describe)(?:\.each\([^)]*\))?\(\s*(['`"])((?:[ABC]\d+(?:,| and)? )+)((?!%)(?:(?!\1).)+)\1/g

function promised(): Promised[] {
  return ['core', 'server', 'web', 'e2e'].flatMap((folder) =>
    [...testFiles(folder)].flatMap((test) =>
      [...readFileSync(test, 'utf8').matchAll(title)].map(([, , ids = '', says = '']): Promised => ({
        ids: ids.match(/[ABC]\d+/g) ?? [],
        says,
        test,
      })),
    ),
  )
}

const subjectOf = ({ says }: Promised): string => subjects.find(([, words]) => words.test(says))?.[0] ?? other
const order = (id = ''): number => 'ABC'.indexOf(id.charAt(0)) * 1000 + Number(id.slice(1))

/** The page as it stands in docs. */
export function tradePage(): string {
  const all = promised().toSorted((a, b) => order(a.ids[0]) - order(b.ids[0]))
  const sections = [...subjects.map(([name]) => name), other].flatMap((name) => {
    const own = all.filter((p) => subjectOf(p) === name)
    if (own.length === 0) return []
    const rows = own.map((p) => `| ${p.ids.join(', ')} | ${p.says.replaceAll('|', '\\|')} | \`${p.test}\` |`)
    return ['', `## ${name}`, '', '| line | what holds | test |', '| --- | --- | --- |', ...rows]
  })
  return [
    '# What the plans promise',
    '',
    'Made by `npm run readings` from the titles of the tests; a test holds it to them. Each holds over any case of any kind that asks for it, or over the cases its test',
    'names. Common practice [C] unless the test names a source beside it.',
    ...sections,
    '',
  ].join('\n')
}
