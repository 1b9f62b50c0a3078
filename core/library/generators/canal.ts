/** Root-canal work: access, length, shape, clean, fill. The sheet is on; hypochlorite never without it. */
import { lay } from '../lay'
import { filesFor, pointsFor, usualLast } from '../../measure/canals'
import { inWords } from '../../rules'
import { reason, type Figure } from '../../figure'
import { jawOf, parts, type Tooth } from '../../teeth/notation'
import { lasting, sequence, type Block } from '../build'
import type { Case, Unit } from '../case'
import { cutSteps } from './cutting'

export interface Canal {
  name: string
  lengthMm?: number
}

/** The canals one looks for first, where none is recorded. Standing C; a fourth in an upper first molar is looked for. */
export function usualCanals(t: Tooth): Canal[] {
  const { position } = parts(t)
  const names =
    position <= 3
      ? ['single']
      : position === 4 && jawOf(t) === 'upper'
        ? ['B', 'P']
        : position <= 5
          ? ['single']
          : jawOf(t) === 'upper'
            ? ['MB', 'DB', 'P']
            : ['MB', 'ML', 'D']
  return names.map((name) => ({ name }))
}
/** What a canal is called in a sentence's beginning: the only one has no name. */
const called = ({ name }: Canal): string => (name === 'single' ? 'Canal' : name)
/** And in the middle of one. */
const inSentence = ({ name }: Canal): string => (name === 'single' ? 'the canal' : name)

export const canalsOf = (u: Unit): Canal[] => u.says('canals') ?? usualCanals(u.tooth)
const hypo = reason(
  '{Hypochlorite}: {side-vented needle}, loose in the canal, slow; eyes and clothes covered; never without a tight dam',
  'C',
)

/** Through the roof of the chamber, orifices opened. */
export function access(c: Case, u: Unit): Block {
  return cutSteps({ ...c, units: [u] }, ['canal.access', 'canal.walls'], [3, 5, 10])
}

/** Each canal: orifice, glide path, length by the locator, files in order with irrigation between. */
function shapeCanal(c: Case, u: Unit, canal: Canal): Block {
  const length: Figure[] =
    canal.lengthMm === undefined
      ? []
      : [
          {
            name: `working length ${canal.name}`,
            value: canal.lengthMm,
            unit: 'mm',
            text: `${canal.lengthMm} mm from the reference point, as recorded; the locator and the film decide today`,
            standing: 'practice',
          },
        ]
  const files = filesFor(usualLast(canal.name))
  const set = canal.lengthMm === undefined ? '' : `, about ${canal.lengthMm} mm`
  return sequence(
    lay(c, 'canal.orifice.$tooth-$name', { called: called(canal), set, length, u, name: canal.name }),
    lay(c, 'canal.length.$tooth-$name', {
      called: called(canal),
      set,
      inSentence: inSentence(canal),
      u,
      name: canal.name,
    }),
    lay(c, 'canal.shape.$tooth-$name', {
      called: called(canal),
      files: files.join(', '),
      inSentence: inSentence(canal),
      canalName: canal.name,
      lengthMm: canal.lengthMm,
      filePasses: files.flatMap((f, i) => [
        `{file} ${f}${i === 0 ? ' with a touch of {EDTA}, {stop set}' : ''}`,
        '{irrigation}',
      ]),
      hypo,
      u,
      name: canal.name,
    }),
  )
}

/** All canals: length and shape, agitation, last rinse, dry. Root canal, one canal 20 · 35 · 60 minutes in all with the filling. */
export function shapeCanals(c: Case, u: Unit): Block {
  const canals = canalsOf(u)
  const agitate = c.rule('irrigant.agitate')
  return sequence(
    ...canals.map((canal) => shapeCanal(c, u, canal)),
    lay(c, 'canal.agitate.$tooth', {
      u,
      own: agitate.own,
      lasting: lasting(
        agitate.value * canals.length,
        'Agitation',
        inWords(`${agitate.because.text}, ${canals.length} canal${canals.length === 1 ? '' : 's'}`, agitate),
      ),
      hypo,
    }),
  )
}

/** The points by the last file that was planned: another master, other points. */
const dryWith = (canals: readonly Canal[]): string =>
  `As planned: ${canals
    .map((c) => `${inSentence(c)} ${pointsFor(usualLast(c.name)).sizes.join(', ')}`)
    .join('; ')}; another master, other {points}.`

/** Cones tried, film, points down to dry, sealer, seared below the orifice. */
export function fillCanals(c: Case, u: Unit, belowOrificeMm: number): Block {
  const canals = canalsOf(u)
  const n = canals.length
  return sequence(
    lay(c, 'canal.cones.$tooth', {
      u,
      n,
      names: canals.map((x) => x.name).join(', '),
      shaped: canals.map((x) => `canal.shape.${u.tooth}-${x.name}`),
    }),
    lay(c, 'canal.dry.$tooth', { u, dryWith: dryWith(canals), amount: n * 3 }),
    ...canals.map((canal) =>
      lay(c, 'canal.fill.$tooth-$canalName', {
        u,
        called: called(canal),
        inSentence: inSentence(canal),
        canalName: canal.name,
      }),
    ),
    lay(c, 'canal.cut-back.$tooth', { u, belowOrificeMm }),
  )
}
