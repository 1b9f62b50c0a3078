/** The bond to the tooth, by the adhesive's system: which acid, which bottles in which order, how each is blown, and its light. */
import { lay } from '../lay'
import { adhesives, withActivator } from '../../practice/adhesives'
import { cureOf, etch, lightStep, minutesOf, type Etch, type EtchOf, type Spot } from './bonding'
import { nothing, sequence, type Block } from '../build'
import type { Case } from '../case'
import type { RuleId } from '../../rules'

/** What is bonded to: it decides acid and layers. */
export type Bonded = 'enamel' | 'enamel and dentine' | 'cavity' | 'fresh dentine' | 'canal'

export interface BondOf extends Etch {
  /** Under a resin that sets by itself too: an acidic bottle needs its activator, and a canal has no light. */
  dualCure?: boolean
  /** Cured by itself, or left wet for what follows. */
  cured?: boolean
}

/**
 * Where the acid goes. Enamel alone is always etched; elsewhere the school and the system say. In a canal, and on fresh
 * dentine that is sealed, a self-etch adhesive wants none. Where dentine shows in enamel it has acid for 15 s at most. Standing C.
 */
export function acidFor(c: Case, to: Bonded): EtchOf | 'none' {
  if (to === 'enamel') return 'enamel'
  const school = c.school('etch')
  // Etched as enamel wants it; dentine for a quarter of that, or left to the self-etch bottle.
  if (to === 'enamel and dentine') return school === 'total' ? 'enamel, then dentine' : 'enamel'
  return to === 'cavity' || school === 'total' ? school : 'none'
}

interface Layer {
  act: 'primer' | 'adhesive'
  need: string
  words: string
  /** What the record names, at the last of them. */
  spoken?: string
  /** Rubbed so long; a bond over its primer is only laid on. */
  rub?: RuleId
  air: string
}

/**
 * The bottles in their order. On enamel alone the bond is enough: what a primer is for is dentine. In a canal, and under a
 * dual-cure resin where the system is acidic, it is the adhesive mixed with its activator.
 */
export function layersFor(c: Case, to: Bonded, dualCure = false): Layer[] {
  const system = adhesives[c.school('adhesive')]
  const nothingMoves = 'Air from gentle to strong until nothing moves'
  if (to === 'canal' || (dualCure && system.acidic))
    return [
      {
        act: 'adhesive',
        need: withActivator,
        words: '{adhesive} mixed with its activator',
        spoken: 'an {adhesive} mixed with its activator',
        rub: 'adhesive.rub',
        air: to === 'canal' ? 'Air, gentle, over the canal mouth' : nothingMoves,
      },
    ]
  if (system.primer === undefined)
    return [
      {
        act: 'adhesive',
        need: system.bond,
        words: system.words,
        spoken: system.spoken,
        rub: 'adhesive.rub',
        air: nothingMoves,
      },
    ]
  const bond: Layer = {
    act: 'adhesive',
    need: system.bond,
    words: system.words,
    spoken: to === 'enamel' ? `the {bond} of ${system.spoken}` : system.spoken,
    air: 'Air, gentle: the bond is thinned, not blown away',
  }
  return to === 'enamel'
    ? [bond]
    : [
        {
          act: 'primer',
          need: system.primer,
          words: '{primer}',
          rub: 'primer',
          air: 'Strong air on the {primer} until nothing moves',
        },
        bond,
      ]
}

function layerStep(c: Case, s: Spot, to: Bonded, l: Layer): Block {
  const how =
    to === 'canal' ? 'down the canal, by {point}' : l.rub ? `rub in ${c.rule(l.rub).value} s` : 'thin, over all of it'
  return sequence(
    lay(c, '$stem.$act', {
      ...s,
      act: l.act,
      lWords: l.words,
      how,
      spoken: l.spoken,
      rub: l.rub,
      minutesOf: l.rub && minutesOf(c.rule(l.rub).value),
      to,
      need: l.need,
    }),
    to === 'canal' ? lay(c, '$stem.wick', { ...s }) : nothing,
    lay(c, '$stem.$(act)-air', { ...s, act: l.act, air: l.air, rub: l.rub }),
  )
}

/** Acid where the system wants it, then its bottles, each rubbed and blown as it wants to be, then their light. */
export function bondTooth(c: Case, s: Spot, to: Bonded, { dualCure, cured = true, ...more }: BondOf = {}): Block {
  const acid = acidFor(c, to)
  const layers = layersFor(c, to, dualCure)
  const last = layers.at(-1)?.need
  return sequence(
    acid === 'none' ? nothing : etch(c, s, acid, more),
    ...layers.map((l) => layerStep(c, s, to, l)),
    cured
      ? lightStep(c, s, `${s.stem}.adhesive-cure`, cureOf(c, `adhesive, ${s.label}`, 'cure.adhesive', last))
      : nothing,
  )
}
