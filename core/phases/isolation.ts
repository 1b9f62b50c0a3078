import { reason } from '../figure'
import { archOrder, neighbours } from '../teeth/arch'
import { jawOf, parts, type Tooth } from '../teeth/notation'
import { nothing, open, sequence, standby, step, type Block } from './build'
import { labels, type Case } from './case'

/**
 * The teeth that get a hole: behind the premolars from one tooth behind the prepared ones to the opposite lateral's
 * side of the midline, in front from first premolar to first premolar; missing teeth get none. Standing C.
 */
export function damTeeth(teeth: readonly Tooth[], missing: readonly Tooth[]): Tooth[] {
  const first = teeth[0]!
  const arch = archOrder(jawOf(first))
  const anterior = teeth.every((t) => parts(t).position <= 3)
  if (anterior) return arch.filter((t) => parts(t).position <= 4 && !missing.includes(t))
  const right = arch.indexOf(first) < 8
  const side = (t: Tooth): boolean => arch.indexOf(t) < 8 === right
  const hindmost = Math.max(...teeth.map((t) => parts(t).position))
  const behind = teeth.find((t) => parts(t).position === hindmost)!
  const last = neighbours(behind, missing).distal.tooth ? hindmost + 1 : hindmost
  return arch.filter((t) => !missing.includes(t) && (side(t) ? parts(t).position <= last : parts(t).position <= 2))
}

const clampNeed = (anchor: Tooth): string => (parts(anchor).position >= 6 ? 'clamp.molar' : parts(anchor).position >= 4 ? 'clamp.premolar' : 'clamp.cervical')

/** Isolation while cutting, by the school picked. */
export function isolation(c: Case): Block {
  if (c.choices.isolation === 'rolls and suction') {
    return step({
      id: 'isolation.rolls',
      phase: 'isolation',
      title: 'Rolls and cheek retractor in; suction and mirror ready',
      told: 'placed rolls and the cheek retractor',
      fn: 'chairside',
      place: 'mouth',
      minutes: [0.3, 0.5, 1],
      needs: [open('cotton roll', 6), open('cheek retractor')],
      cautions: [reason('No sheet: high-volume suction stays at the tooth, the throat is guarded with gauze when anything small is loose', 'C')],
    })
  }
  const holes = damTeeth(c.request.teeth, c.request.missing)
  const anchor = holes.reduce((a, b) => (parts(b).position > parts(a).position ? b : a))
  return step({
    id: 'isolation.dam-on',
    phase: 'isolation',
    told: `placed the dam with ${holes.length} holes, clamp on ${anchor}`,
    title: `Dam on, ${holes.length} holes: ${holes.at(0)}–${holes.at(-1)}`,
    detail: `Clamp on ${anchor}: four points under the height of contour, stable before the sheet goes over. Floss between sheet and tooth at every septum.`,
    fn: 'dam',
    place: 'mouth',
    helped: true,
    minutes: [2, 4, 8],
    passes: ['clamp in forceps, 30 cm of floss tied on', 'sheet', 'frame', 'floss'],
    needs: [
      open('dam sheet'), open('dam frame'), open('dam punch'), open('clamp forceps'), open(clampNeed(anchor)), open('floss', 900), open('dam lubricant', 0.5),
      standby('block-out resin', 'the sheet leaks'), standby('clamp.retentive', 'the clamp rocks or springs'),
    ],
    countIn: { id: 'dam-pieces', what: 'pieces of dam between the holes', planned: holes.length - 1, outStep: 'isolation.dam-off' },
    cautions: [
      reason('The floss tether on the clamp is the airway guard: always on', 'C'),
      reason('Only water-soluble lubricant on the sheet', 'C'),
      ...(c.request.margin === 'subgingival' ? [reason('A margin under the tissue: the sheet may hide it; the dentist may want it off sooner', 'C')] : []),
    ],
    mistakes: ['only one side numb: the clamp hurts and springs off', 'jaws touching in two points: the clamp rocks'],
  })
}

/** The sheet comes off before the tissue work; every piece between the holes is accounted for. */
export function isolationOff(c: Case): Block {
  if (c.choices.isolation !== 'dam throughout') return nothing
  return sequence(
    step({
      id: 'isolation.dam-off',
      phase: 'isolation',
      title: 'Dam off: cut the septa, lay the sheet out, count the pieces',
      told: 'removed the dam and laid the sheet out',
      fn: 'dam',
      place: 'mouth',
      minutes: [1, 1.5, 3],
      passes: ['blunt scissors', 'clamp forceps'],
      needs: [open('blunt scissors')],
      countOut: 'dam-pieces',
      cautions: [reason('A missing piece is looked for between the teeth and in the sulcus before going on', 'C')],
      reason: reason(`the margin of ${labels(c)} has to be seen with the tissue free`, 'C'),
    }),
  )
}
