import { lay } from '../lay'
import { soreGum } from '../../measure/numbing'
import { firstOf, lastOf } from '../../sure'
import { archFrom, neighbours } from '../../teeth/arch'
import { isPrimary, parts, type Tooth } from '../../teeth/notation'
import type { Need } from '../../catalog/match'
import { nothing, only, open, practice, sequence, type Block } from '../build'
import { labels, type Case, type Unit } from '../case'
import { cavityBoxes } from '../cavity'

/**
 * The teeth that get a hole, from the side that is worked on first across the middle: behind the premolars from one tooth
 * behind the prepared ones to the opposite lateral's side of the midline, in front from first premolar to first premolar
 * (primary: first molar to first molar). Missing teeth get none; where the premolar is missing on the side of the work, the
 * next tooth behind it holds the sheet in its stead. Standing C.
 */
export function damTeeth(teeth: readonly Tooth[], missing: readonly Tooth[], ringed: readonly Tooth[] = []): Tooth[] {
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
    const next = neighbours(behind, missing).distal.tooth
    // A ring leans on the tooth behind as well: the clamp goes one further back, where there is one.
    const beyond = next && ringed.includes(behind) ? neighbours(next, missing).distal.tooth : null
    return parts(beyond ?? next ?? behind).position
  }
  return arch.filter((t) => !missing.includes(t) && parts(t).position <= reach(t))
}

/** A clamp laid out, by its class. */
export const clamp = (which: string, more: Partial<Need> = {}): Need =>
  open(`clamp.${which}`, 1, { is: 'clamp', ...more })

/** Teeth of which a ring leans on the tooth behind, of all the works under the sheet: a distal box beside a neighbour. */
const ringedBehind = (c: Case): Unit[] =>
  [c, ...c.sheet.under].flatMap((of) =>
    of.kind.rings ? of.units.filter((u) => u.distal.tooth && cavityBoxes(of, u).includes('distal')) : [],
  )

/** The clamp an anchor tooth asks for, by class, with what would do instead and what is lost. */
function clampNeed(c: Case, anchor: Tooth): Need {
  const at = parts(anchor).position
  if (ringedBehind(c).some((u) => u.distal.tooth === anchor) && !isPrimary(anchor) && at >= 4) {
    const size = at >= 6 ? 'molar' : 'premolar'
    return clamp(`${size}.wingless`, {
      words: `${size} clamp without wings`,
      because: practice('the ring leans on this tooth, the last one there: wings would meet it'),
      orElse: [{ what: `clamp.${size}`, loss: 'its wings meet the ring: tried together before the sheet goes on' }],
    })
  }
  if (isPrimary(anchor) && at >= 4)
    return clamp('molar.small', {
      words: 'small molar clamp for a primary molar',
      because: practice('a primary molar: bell-shaped and short, its neck constricted'),
      orElse: [
        { what: 'clamp.premolar', loss: 'bow too narrow: the jaws may touch in two points only' },
        { what: 'clamp.molar', loss: 'too wide: it rocks on a primary molar' },
      ],
    })
  if (at >= 6 && c.asks('partErupted'))
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
    detail: '{Clamp} tried and stable, {frame}, then the {sheet} over it',
    passes: ['{clamp} in forceps, 30 cm of {floss} tied on', '{sheet}', '{frame}', '{floss}'],
  },
  'sheet on the wings': {
    detail: '{Sheet} held on the {clamp}’s wings, {frame} on, all in one; then free the wings',
    passes: [
      '{clamp} with {sheet} and {frame} in forceps, 30 cm of {floss} tied on',
      '{plastic instrument} for the wings',
      '{floss}',
    ],
  },
  'sheet first': {
    detail: '{Sheet} stretched over the teeth, {clamp} on top of it, then the {frame}',
    passes: ['{sheet}', '{clamp} in forceps, 30 cm of {floss} tied on', '{frame}', '{floss}'],
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
  const gone = [...c.asks('missing'), ...c.asks('pontics')]
  const ringed = ringedBehind(c)
  const holes =
    purpose === 'canal'
      ? [firstOf(c.units).tooth]
      : damTeeth(
          c.sheet.teeth,
          gone,
          ringed.map((u) => u.tooth),
        )
  const anchor = holes.reduce((a, b) => (parts(b).position > parts(a).position ? b : a))
  const second = otherClamp(c.sheet.teeth, holes, anchor)
  const clamped = second ? [anchor, second] : [anchor]
  // Nothing holds a sheet on a clamp without wings.
  const under = clamped.filter((t) => ringed.some((u) => u.distal.tooth === t))
  const asked = c.school('damOrder')
  const how = orderOn[under.length > 0 && asked === 'sheet on the wings' ? 'clamp first' : asked]
  const clampedSaid = clamped.map(c.say).join(' and ')
  const one = holes.length === 1
  return sequence(
    lay(c, 'isolation.dam-on', {
      clamped,
      n: holes.length,
      clampedSaid,
      one,
      second,
      anchor: c.say(anchor),
      fromTo: [firstOf(holes), lastOf(holes)].map(c.say).join('–'),
      detail:
        under.length > 0
          ? `${how.detail}; the {ring} tried over the {clamp} on ${under.map(c.say).join(' and ')} before the {sheet} goes on`
          : how.detail,
      holes,
      soreGum: soreGum(clamped),
      passes: how.passes,
      clampNeeds: clampNeeds(c, clamped),
      anchorPosition: parts(anchor).position,
      pieces: holes.length - 1,
      offStep: c.sheet.offStep,
      purpose,
    }),
    ...tied.map((t) => lay(c, 'isolation.tie.$t', { t, said: c.say(t) })),
  )
}

/** The far end of the sheet held by a clamp of its own; nothing where both ends are clamped anyway. */
export function secondClamp(c: Case): Block {
  const holes = damTeeth(
    c.sheet.teeth,
    [...c.asks('missing'), ...c.asks('pontics')],
    ringedBehind(c).map((u) => u.tooth),
  )
  const anchor = holes.reduce((a, b) => (parts(b).position > parts(a).position ? b : a))
  const far = lastOf(holes)
  if (far === anchor || otherClamp(c.sheet.teeth, holes, anchor)) return nothing
  return lay(c, 'isolation.second-clamp', { farSaid: c.say(far), soreGum: soreGum([far]) })
}

/** The sheet comes off, and every piece between the holes is accounted for. */
export function damOff(c: Case, { purpose, why }: { purpose?: Sheet['purpose']; why?: string } = {}): Block {
  if (c.sheet.staysOn) return nothing
  const one = purpose === 'canal'
  return lay(c, 'isolation.dam-off', { one, why })
}

/** Rolls, cheek retractor and suction. */
export function rolls(c: Case): Block {
  // Those of the work before are still in.
  if (c.before.rolls) return nothing
  return lay(c, 'isolation.rolls')
}

function retractor(c: Case): Block {
  return lay(c, 'isolation.retractor')
}

/** Isolation while cutting a crown, by the school picked. */
export function isolation(c: Case): Block {
  if (c.school('isolation') === 'rolls and suction') return rolls(c)
  return c.school('isolation') === 'suction retractor' ? retractor(c) : damOn(c, { purpose: 'cutting' })
}

/** The sheet comes off before the tissue work of a crown. */
export function isolationOff(c: Case): Block {
  return only(c.school('isolation') === 'dam throughout', () =>
    // What comes after it is kept dry all the same.
    sequence(damOff(c, { why: `the margin of ${labels(c)} has to be seen with the tissue free` }), rolls(c)),
  )
}

/** Isolation for bonding, foil and root canals: the sheet, unless the dentist's card takes another way. */
export const sheetOn = (c: Case, sheet: Sheet): Block =>
  c.school('bondingIsolation') === 'dam'
    ? damOn(c, sheet)
    : c.school('bondingIsolation') === 'suction retractor'
      ? retractor(c)
      : rolls(c)
export const sheetOff = (c: Case, off: { purpose?: Sheet['purpose']; why?: string } = {}): Block =>
  only(c.school('bondingIsolation') === 'dam', () => damOff(c, off))
