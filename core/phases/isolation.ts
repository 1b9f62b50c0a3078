import { span } from '../rules'
import { soreGum } from '../measure/numbing'
import { firstOf, lastOf } from '../sure'
import { reason } from '../figure'
import { archFrom, neighbours } from '../teeth/arch'
import { isPrimary, parts, type Tooth } from '../teeth/notation'
import type { Need } from '../catalog/match'
import { nothing, only, open, practice, sequence, standby, step, type Block } from '../library/build'
import { labels, type Case } from '../library/case'

/**
 * The teeth that get a hole, from the side that is worked on first across the middle: behind the premolars from one tooth
 * behind the prepared ones to the opposite lateral's side of the midline, in front from first premolar to first premolar
 * (primary: first molar to first molar). Missing teeth get none; where the premolar is missing on the side of the work, the
 * next tooth behind it holds the sheet in its stead. Standing C.
 */
export function damTeeth(teeth: readonly Tooth[], missing: readonly Tooth[]): Tooth[] {
  const first = firstOf(teeth)
  const arch = archFrom(first)
  const half = arch.length / 2
  const anterior = teeth.every((t) => parts(t).position <= 3)
  if (anterior) {
    const behind = arch.slice(0, half).findLast((t) => parts(t).position >= 4 && !missing.includes(t))
    return arch.filter((t) => (parts(t).position <= 4 && !missing.includes(t)) || t === behind)
  }
  const sides = new Set(teeth.map((t) => arch.indexOf(t) < half))
  const onSide = (t: Tooth): Tooth[] => teeth.filter((x) => arch.indexOf(x) < half === arch.indexOf(t) < half)
  const reach = (t: Tooth): number => {
    const own = onSide(t)
    if (own.every((x) => parts(x).position <= 3)) return sides.size > 1 ? 4 : 2
    const behind = own.reduce((a, b) => (parts(b).position > parts(a).position ? b : a))
    return parts(behind).position + (neighbours(behind, missing).distal.tooth ? 1 : 0)
  }
  return arch.filter((t) => !missing.includes(t) && parts(t).position <= reach(t))
}

/** A clamp laid out, by its class. */
export const clamp = (which: string, more: Partial<Need> = {}): Need =>
  open(`clamp.${which}`, 1, { is: 'clamp', ...more })

/** The clamp an anchor tooth asks for, by class, with what would do instead and what is lost. */
function clampNeed(c: Case, anchor: Tooth): Need {
  const at = parts(anchor).position
  if (isPrimary(anchor) && at >= 4)
    return clamp('molar.small', {
      words: 'small molar clamp for a primary molar',
      because: practice('a primary molar: bell-shaped and short, its neck constricted'),
      orElse: [
        { what: 'clamp.premolar', loss: 'bow too narrow: the jaws may touch in two points only' },
        { what: 'clamp.molar', loss: 'too wide: it rocks on a primary molar' },
      ],
    })
  if (at >= 6 && c.request.partErupted)
    return clamp('retentive', {
      words: 'clamp whose jaws point down, for a part-erupted molar',
      because: practice('part-erupted: jaws that point down hold under the tissue'),
      orElse: [{ what: 'clamp.molar', loss: 'jaws not pointing down: it rides up on a short crown' }],
    })
  if (at >= 6)
    return clamp('molar', {
      words: 'molar clamp',
      because: practice('a molar: jaws wide enough for four points under the height of contour'),
    })
  return at >= 4
    ? clamp('premolar', {
        words: 'premolar clamp',
        because: practice('a premolar: a molar clamp would touch in two points only'),
      })
    : clamp('cervical', {
        words: 'double-bow clamp for a front tooth',
        because: practice('a front tooth: two bows keep it from tipping'),
        orElse: [{ what: 'clamp.premolar', loss: 'no second bow: it tips on a front tooth' }],
      })
}

export interface Sheet {
  /** What the sheet is for; decides the holes and the cautions. */
  purpose: 'cutting' | 'bonding' | 'canal' | 'foil'
  /** Every abutment tied, so that the whole crown stands out of the sheet. */
  tied?: readonly Tooth[]
}

const orderOn = {
  'clamp first': {
    detail: 'Clamp tried and stable, frame, then the sheet over it',
    passes: ['clamp in forceps, 30 cm of floss tied on', 'sheet', 'frame', 'floss'],
  },
  'sheet on the wings': {
    detail: 'Sheet held on the clamp’s wings, frame on, all in one; then free the wings',
    passes: [
      'clamp with sheet and frame in forceps, 30 cm of floss tied on',
      'plastic instrument for the wings',
      'floss',
    ],
  },
  'sheet first': {
    detail: 'Sheet stretched over the teeth, clamp on top of it, then the frame',
    passes: ['sheet', 'clamp in forceps, 30 cm of floss tied on', 'frame', 'floss'],
  },
} as const

/** A clamp for each anchor; two of a kind are two on the tray. */
function clampNeeds(c: Case, anchors: readonly Tooth[]): Need[] {
  const needs = anchors.map((t) => clampNeed(c, t))
  const [one, other] = needs
  return one && other && one.what === other.what ? [{ ...one, quantity: 2 }] : needs
}

/** Work far back on both sides wants the sheet held at both ends. Common practice. */
function otherClamp(teeth: readonly Tooth[], holes: readonly Tooth[], anchor: Tooth): Tooth | undefined {
  const across = teeth.some((t) => t[0] !== anchor[0] && parts(t).position >= 4)
  const far = holes.filter((t) => t[0] !== anchor[0])
  return across && far.length > 0 ? far.reduce((a, b) => (parts(b).position > parts(a).position ? b : a)) : undefined
}

/** The sheet: holes, clamp, order of application, and what hangs on it. */
export function damOn(c: Case, { purpose, tied = [] }: Sheet): Block {
  if (c.sheet.alreadyOn) return nothing
  const gone = [...c.request.missing, ...c.request.pontics]
  const holes = purpose === 'canal' ? [firstOf(c.units).tooth] : damTeeth(c.sheet.teeth, gone)
  const anchor = holes.reduce((a, b) => (parts(b).position > parts(a).position ? b : a))
  const second = otherClamp(c.sheet.teeth, holes, anchor)
  const clamped = second ? [anchor, second] : [anchor]
  const how = orderOn[c.choices.damOrder]
  const clampedSaid = clamped.map(c.say).join(' and ')
  const one = holes.length === 1
  const on = c.rule('sheet.on')
  return sequence(
    step({
      id: 'isolation.dam-on',
      act: 'sheet on',
      asks: [{ reading: 'sheet', teeth: clamped }],
      phase: 'isolation',
      told: `placed the dam with ${holes.length} hole${one ? '' : 's'}, clamp${second ? 's' : ''} on ${clampedSaid}`,
      title: `Dam on, ${one ? `one hole: ${c.say(anchor)}` : `${holes.length} holes: ${[firstOf(holes), lastOf(holes)].map(c.say).join('–')}`}`,
      detail: `Clamp${second ? 's' : ''} on ${clampedSaid}: four points under the height of contour, stable before the sheet goes over. ${how.detail}. ${one ? 'Tuck the edges with air and an explorer.' : 'Front-most contact flossed first; floss between sheet and tooth at every septum; air and an explorer tuck the edges.'}${c.has('mouth breather') ? ' A breathing corner is cut, by the dentist’s word.' : ''}`,
      fn: 'dam',
      holes: [...holes],
      place: 'mouth',
      helped: true,
      hurts: soreGum(clamped),
      minutes: [2, 4, 8],
      cues: [{ atS: on.value, say: `${span(on.value)}: is the sheet on?`, because: on.because }],
      passes: [...how.passes],
      needs: [
        open('dam sheet'),
        open('dam frame'),
        open('dam punch'),
        open('clamp forceps'),
        ...clampNeeds(c, clamped),
        open('floss', 900),
        open('dam lubricant', 0.5),
        ...(c.choices.damOrder === 'sheet on the wings' ? [open('plastic instrument')] : []),
        standby('block-out resin', 'the sheet leaks'),
        ...(parts(anchor).position >= 6 && c.request.partErupted
          ? []
          : [standby('clamp.retentive', 'the clamp rocks or springs', 1, { is: 'clamp' })]),
      ],
      ...(one
        ? {}
        : {
            countsIn: [
              {
                id: 'dam-pieces',
                what: 'pieces of dam between the holes',
                planned: holes.length - 1,
                outStep: c.sheet.offStep,
              },
            ],
          }),
      cautions: [
        reason('The floss tether on the clamp is the airway guard: always on', 'C'),
        reason('Only water-soluble lubricant on the sheet', 'C'),
        ...(purpose === 'canal'
          ? [reason('Hypochlorite only with the sheet on and tight; eyes and clothes covered', 'C')]
          : []),
        ...(purpose === 'cutting' && c.kind.dentition === 'permanent' && c.request.margin === 'subgingival'
          ? [reason('A margin under the tissue: the sheet may hide it; the dentist may want it off sooner', 'C')]
          : []),
      ],
      mistakes: [
        'only one side numb: the clamp hurts and springs off',
        'jaws touching in two points: the clamp rocks',
        ...(one ? [] : ['holes too close: the sheet pulls out of the neck and leaks']),
      ],
    }),
    ...tied.map((t) =>
      step({
        id: `isolation.tie.${t}`,
        phase: 'isolation',
        title: `Tie ${c.say(t)}: floss under the sheet’s edge, knot on the cheek side`,
        tooth: t,
        fn: 'dam',
        place: 'mouth',
        minutes: [0.5, 1, 2],
        passes: ['floss', 'plastic instrument to press it down'],
        needs: [open('floss', 300), open('plastic instrument')],
        reason: reason('every abutment of a bonded bridge is tied, so that the whole crown stands free', 'C'),
        mistakes: ['tie left off: the sheet creeps up and the cement runs under it'],
      }),
    ),
  )
}

/** The sheet comes off, and every piece between the holes is accounted for. */
export function damOff(c: Case, { purpose, why }: { purpose?: Sheet['purpose']; why?: string } = {}): Block {
  if (c.sheet.staysOn) return nothing
  const one = purpose === 'canal'
  return step({
    id: 'isolation.dam-off',
    act: 'sheet off',
    phase: 'isolation',
    title: one ? 'Dam off, clamp first' : 'Dam off: cut the septa, lay the sheet out, count the pieces',
    told: one ? 'removed the dam' : 'removed the dam and laid the sheet out',
    ...(one
      ? { detail: 'Then rinse.' }
      : {
          detail:
            'Septa pulled toward the cheek and cut over a finger; clamp and frame off; every piece between the holes found; then rinse.',
        }),
    fn: 'dam',
    place: 'mouth',
    minutes: one ? [0.3, 0.5, 1] : [1, 1.5, 3],
    passes: one ? ['clamp forceps'] : ['blunt scissors', 'clamp forceps'],
    needs: one ? [] : [open('blunt scissors')],
    ...(one ? {} : { countsOut: ['dam-pieces'] }),
    cautions: one
      ? []
      : [reason('A missing piece is looked for between the teeth and in the sulcus before going on', 'C')],
    ...(why ? { reason: reason(why, 'C') } : {}),
  })
}

/** Rolls, cheek retractor and suction. */
export function rolls(c: Case): Block {
  // Those of the work before are still in.
  if (c.before.rolls) return nothing
  return step({
    id: 'isolation.rolls',
    phase: 'isolation',
    title: 'Rolls and cheek retractor in; suction and mirror ready',
    told: 'placed rolls and the cheek retractor',
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    needs: [open('cotton roll', 6), open('cheek retractor')],
    // One beside the cheek above, two with the tongue below: those that are changed go one for one.
    countsIn: [{ id: 'rolls', what: 'cotton rolls', planned: c.jaw === 'upper' ? 2 : 3, outStep: 'closing.rinse' }],
    cautions: [
      reason(
        'No sheet: high-volume suction stays at the tooth, the throat is guarded with gauze when anything small is loose',
        'C',
      ),
    ],
    ...(c.kind.dentition === 'primary' ? { mistakes: ['a dry roll pulled off the cheek: wet it first'] } : {}),
  })
}

function retractor(): Block {
  return step({
    id: 'isolation.retractor',
    phase: 'isolation',
    title: 'Suction retractor in, bite block side checked',
    told: 'placed the suction retractor',
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.5, 1, 2],
    needs: [open('suction retractor')],
    cautions: [reason('It holds tongue and cheek; the throat is guarded with gauze when anything small is loose', 'C')],
  })
}

/** Isolation while cutting a crown, by the school picked. */
export function isolation(c: Case): Block {
  if (c.choices.isolation === 'rolls and suction') return rolls(c)
  return c.choices.isolation === 'suction retractor' ? retractor() : damOn(c, { purpose: 'cutting' })
}

/** The sheet comes off before the tissue work of a crown. */
export function isolationOff(c: Case): Block {
  return only(c.choices.isolation === 'dam throughout', () =>
    damOff(c, { why: `the margin of ${labels(c)} has to be seen with the tissue free` }),
  )
}

/** Isolation for bonding, foil and root canals: the sheet, unless the dentist's card takes another way. */
export const sheetOn = (c: Case, sheet: Sheet): Block =>
  c.choices.bondingIsolation === 'dam'
    ? damOn(c, sheet)
    : c.choices.bondingIsolation === 'suction retractor'
      ? retractor()
      : rolls(c)
export const sheetOff = (c: Case, off: { purpose?: Sheet['purpose']; why?: string } = {}): Block =>
  only(c.choices.bondingIsolation === 'dam', () => damOff(c, off))
