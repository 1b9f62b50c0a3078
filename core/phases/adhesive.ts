/** The bond to the tooth, by the adhesive's system: which acid, which bottles in which order, how each is blown, and its light. */
import { adhesives, withActivator } from '../practice/adhesives'
import { capital } from '../words'
import type { Ruling } from '../rules'
import { baseOf, cureOf, etch, lightStep, minutesOf, type Etch, type EtchOf, type Spot } from './bonding'
import { lastingBy, nothing, open, practice, sequence, step, type Block } from '../library/build'
import type { Case } from '../library/case'

/** What is bonded to: it decides acid and layers. */
export type Bonded = 'enamel' | 'cavity' | 'fresh dentine' | 'canal'

export interface BondOf extends Etch {
  /** Under a resin that sets by itself too: an acidic bottle needs its activator, and a canal has no light. */
  dualCure?: boolean
  /** Cured by itself, or left wet for what follows. */
  cured?: boolean
}

/**
 * Where the acid goes. Enamel alone is always etched; elsewhere the school and the system say. In a canal, and on fresh
 * dentine that is sealed, a self-etch adhesive wants none. Standing C.
 */
export function acidFor(c: Case, to: Bonded): EtchOf | 'none' {
  if (to === 'enamel') return 'enamel'
  const school = c.choices.etch
  return to === 'cavity' || school === 'total' ? school : 'none'
}

interface Layer {
  act: 'primer' | 'adhesive'
  need: string
  words: string
  /** What the record names, at the last of them. */
  spoken?: string
  /** Rubbed so long; a bond over its primer is only laid on. */
  rub?: Ruling
  air: string
}

/**
 * The bottles in their order. On enamel alone the bond is enough: what a primer is for is dentine. In a canal, and under a
 * dual-cure resin where the system is acidic, it is the adhesive mixed with its activator.
 */
export function layersFor(c: Case, to: Bonded, dualCure = false): Layer[] {
  const system = adhesives[c.choices.adhesive]
  const nothingMoves = 'Air from gentle to strong until nothing moves'
  if (to === 'canal' || (dualCure && system.acidic))
    return [
      {
        act: 'adhesive',
        need: withActivator,
        words: 'adhesive mixed with its activator',
        spoken: 'an adhesive mixed with its activator',
        rub: c.rule('adhesive.rub'),
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
        rub: c.rule('adhesive.rub'),
        air: nothingMoves,
      },
    ]
  const bond: Layer = {
    act: 'adhesive',
    need: system.bond,
    words: system.words,
    spoken: to === 'enamel' ? `the bond of ${system.spoken}` : system.spoken,
    air: 'Air, gentle: the bond is thinned, not blown away',
  }
  return to === 'enamel'
    ? [bond]
    : [
        {
          act: 'primer',
          need: system.primer,
          words: 'primer',
          rub: c.rule('primer'),
          air: 'Strong air on the primer until nothing moves',
        },
        bond,
      ]
}

/** The bottle laid on last, for what is wetted with it again. */
export const bottleOf = (c: Case): string => adhesives[c.choices.adhesive].bond

function layerStep(s: Spot, to: Bonded, l: Layer): Block {
  const id = `${s.stem}.${l.act}`
  const how = to === 'canal' ? 'down the canal, by point' : l.rub ? `rub in ${l.rub.value} s` : 'thin, over all of it'
  return sequence(
    step({
      ...baseOf(s),
      id,
      wantsClean: 'a bond',
      fn: 'bonding',
      title: `${capital(l.words)}: ${how}, ${s.label}`,
      ...(l.spoken ? { told: `bonded ${s.label} with ${l.spoken}` } : {}),
      minutes: l.rub ? minutesOf(l.rub.value) : [0.2, 0.3, 0.5],
      passes: [to === 'canal' ? 'point with adhesive' : `brush with ${l.words}`],
      needs: [
        open(l.need, 0.1),
        ...(to === 'canal' ? [open('paper point', 2)] : [open('micro brush')]),
        open('dappen dish'),
      ],
      ...(l.rub ? { ties: [lastingBy(l.rub, capital(`${l.words} rubbed in`))] } : {}),
    }),
    to === 'canal'
      ? step({
          ...baseOf(s),
          id: `${s.stem}.wick`,
          fn: 'bonding',
          title: 'Excess wicked out with dry points, quick touches',
          minutes: [0.3, 0.5, 1],
          passes: ['dry point', 'dry point'],
          needs: [open('paper point', 3)],
          mistakes: ['a pool left at the bottom: the post stands proud'],
        })
      : nothing,
    step({
      ...baseOf(s),
      id: `${id}-air`,
      fn: 'bonding',
      title: l.air,
      minutes: [0.1, 0.2, 0.4],
      passes: ['air'],
      reason: practice(l.rub ? 'carrier left behind weakens it' : 'a thick pool shows as a line on the film'),
      mistakes: ['air line with oil or water in it: test it on a mirror'],
    }),
  )
}

/** Acid where the system wants it, then its bottles, each rubbed and blown as it wants to be, then their light. */
export function bondTooth(c: Case, s: Spot, to: Bonded, { dualCure, cured = true, ...more }: BondOf = {}): Block {
  const acid = acidFor(c, to)
  const layers = layersFor(c, to, dualCure)
  const last = layers.at(-1)?.need
  return sequence(
    acid === 'none' ? nothing : etch(c, s, acid, more),
    ...layers.map((l) => layerStep(s, to, l)),
    cured ? lightStep(s, `${s.stem}.adhesive-cure`, cureOf(c, `adhesive, ${s.label}`, 'cure.adhesive', last)) : nothing,
  )
}
