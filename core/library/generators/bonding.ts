/**
 * Etch, rinse, light, excess: the acts every bonded piece and filling is made of; the adhesive is in adhesive.ts. Times: common practice unless a
 * reason says otherwise; the product's own instructions win.
 */
import { lay, type Otherwise } from '../lay'
import { reason, type Figure } from '../../figure'
import { cureTime } from '../../measure/curing'
import type { Phase } from '../../model/step'
import type { RuleId } from '../../rules'
import type { Tooth } from '../../teeth/notation'
import { lasting, practice, sequence, type Block, type Draft } from '../build'
import { labels, teethOf, type Case, type Unit } from '../case'

/** Where the acts happen: the stem of their ids, the phase, the tooth, and how it is spoken of. */
export interface Spot {
  stem: string
  phase: Phase
  tooth: Tooth | undefined
  /** Every tooth that is meant, for what is read of each. */
  teeth: Tooth[]
  label: string
}

/** The acts on one tooth. */
export const spotOn = (u: Unit, stem: string, phase: Phase): Spot => ({
  stem,
  phase,
  tooth: u.tooth,
  teeth: [u.tooth],
  label: u.label,
})
/** The acts on all teeth of the work at once. */
export const spotOnAll = (c: Case, stem: string, phase: Phase): Spot => ({
  stem,
  phase,
  tooth: undefined,
  teeth: teethOf(c),
  label: labels(c),
})
export const minutesOf = (seconds: number): [number, number, number] => [
  seconds / 60,
  (seconds + 10) / 60,
  (seconds + 30) / 60,
]

export type EtchOf =
  | 'enamel'
  | 'enamel, then dentine'
  | 'enamel edge'
  | 'total'
  | 'missed spot'
  | 'before glass ionomer'

const etched: Record<EtchOf, string> = {
  enamel: 'the enamel',
  'enamel, then dentine': 'the enamel (the dentine that shows for the last 15 s only)',
  'enamel edge': 'the enamel edge',
  total: 'enamel and dentine',
  'missed spot': 'the missed spot',
  'before glass ionomer': 'the whole cavity',
}

export interface Etch {
  rinse?: RuleId
  hold?: Draft['hold']
  /** What lies under the acid, in words, where it is not what the name says. */
  what?: string
  /** How it is dried where air does not. */
  dried?: string
}

/** Acid on for its time, then off; the rinse is a step of its own with a clock of its own. */
export function etch(
  c: Case,
  s: Spot,
  of: EtchOf,
  { rinse = 'etch.rinse', hold, what = etched[of], dried }: Etch = {},
): Block {
  const { value: seconds, because } = c.rule(`etch.${of}`)
  const rinseS = c.rule(rinse).value
  return sequence(
    lay(c, '$stem.etch', {
      ...s,
      what,
      seconds,
      minutesOf: minutesOf(seconds),
      of,
      lasting: lasting(seconds, 'Etch', because, of === 'total' ? seconds : undefined),
      because,
    }),
    lay(c, '$stem.etch-rinse', {
      ...s,
      rinseS,
      dried:
        dried ??
        `dry: ${of === 'enamel' ? 'dull white all over' : of === 'enamel, then dentine' ? 'enamel dull white, dentine moist' : of === 'total' ? 'enamel dull, dentine moist' : 'dull where etched'}`,
      of,
      minutesOf: minutesOf(rinseS),
      rinse,
      hold: hold && { ...hold, again: hold.again ?? [`${s.stem}.etch`, `${s.stem}.etch-rinse`] },
    }),
  )
}

/** The hold that enamel is frosted all over before anything bonded is seated. */
export const frosted = (key?: string): Draft['hold'] => ({
  name: 'etched',
  ...(key ? { key } : {}),
  title: 'Enamel frosted',
  evidence: 'dull and white all over, no shiny patch',
  because: practice('shiny enamel holds no resin: it is etched again'),
})

/** The rows of the register that say how long a light is on at least. */
export type CureRule = Extract<RuleId, `cure.${string}`>

/** The practice's own least time for a material where it has entered one, else ours; weak lights lengthen it. */
export function cureOf(c: Case, name: string, least: CureRule, what?: string, deepMm?: number): Figure {
  const own = what === undefined ? undefined : c.practice.items.find((i) => i.serves.includes(what))?.cureS
  return cureTime(`cure, ${name}`, own ?? c.rule(least).value, c.practice.light.irradianceMWPerCm2, deepMm)
}

/**
 * Two layers cured by one light, as a thin flowable over an adhesive that was not: both are being cured, so their seconds add
 * up. Standing C.
 */
export function cureTogether(name: string, layers: readonly Figure[]): Figure {
  const value = layers.reduce((sum, l) => sum + l.value, 0)
  return {
    name: `cure, ${name}`,
    value,
    unit: 's',
    text: `both are being cured: ${layers.map((l) => `${l.value} s`).join(' + ')} = ${value} s`,
    standing: 'C',
  }
}

/** Light on for the figure's seconds. */
export function lightStep(c: Case, s: Spot, id: string, light: Figure, more: Otherwise = {}): Block {
  return lay(c, more.as ?? 'light', {
    ...s,
    id,
    lightValue: light.value,
    minutesOf: minutesOf(light.value),
    lasting: lasting(light.value, 'Light', reason(light.text, light.standing)),
    light,
    ...more,
  })
}

/** Pumice and water before bonding: nothing flavoured, nothing oily. */
export function pumice(c: Case, s: Spot, more: Otherwise = {}): Block {
  return lay(c, more.as ?? '$stem.pumice', { ...s, ...more })
}

/** Excess of a resin cement, by the school picked; the reason is shown. */
export function resinExcess(c: Case, s: Spot, more: Otherwise = {}): Block {
  const tack = c.school('resinExcess') === 'tack and scrape'
  return lay(c, more.as ?? '$stem.excess', { ...s, tack, ...more })
}
