/**
 * Etch, rinse, light, excess: the acts every bonded piece and filling is made of; the adhesive is in adhesive.ts. Times: common practice unless a
 * reason says otherwise; the product's own instructions win.
 */
import { reason, type Figure } from '../figure'
import { cureTime } from '../measure/curing'
import type { Phase } from '../model/step'
import type { RuleId, Ruling } from '../rules'
import type { Tooth } from '../teeth/notation'
import { lasting, lastingBy, open, practice, sequence, standby, step, type Block, type Draft } from '../library/build'
import { labels, teethOf, type Case, type Unit } from '../library/case'

/** Where the acts happen: the stem of their ids, the phase, the tooth, and how it is spoken of. */
export interface Spot {
  stem: string
  phase: Phase
  tooth?: Tooth
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
  teeth: teethOf(c),
  label: labels(c),
})

export const baseOf = (s: Spot): Pick<Draft, 'phase' | 'place'> & Partial<Draft> => ({
  phase: s.phase,
  place: 'mouth',
  helped: true,
  ...(s.tooth ? { tooth: s.tooth } : {}),
})
export const minutesOf = (seconds: number): [number, number, number] => [
  seconds / 60,
  (seconds + 10) / 60,
  (seconds + 30) / 60,
]

export type EtchOf = 'enamel' | 'enamel edge' | 'total' | 'missed spot' | 'before glass ionomer'

const etched: Record<EtchOf, string> = {
  enamel: 'the enamel',
  'enamel edge': 'the enamel edge',
  total: 'enamel and dentine',
  'missed spot': 'the missed spot',
  'before glass ionomer': 'the whole cavity',
}

export interface Etch {
  rinse?: Ruling
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
  { rinse = c.rule('etch.rinse'), hold, what = etched[of], dried }: Etch = {},
): Block {
  const { value: seconds, because } = c.rule(`etch.${of}`)
  const rinseS = rinse.value
  return sequence(
    step({
      ...baseOf(s),
      id: `${s.stem}.etch`,
      wantsClean: 'a bond',
      fn: 'etching',
      title: `Etch ${what} ${seconds} s, ${s.label}`,
      told: `etched ${s.label} for ${seconds} s`,
      minutes: minutesOf(seconds),
      passes: ['etchant, tip bent'],
      needs: [
        open('etchant', 0.3),
        open('micro brush'),
        ...(of === 'total' ? [] : [standby('neighbour tape', 'a neighbour stands close')]),
      ],
      ties: [lasting(seconds, 'Etch', because, of === 'total' ? seconds : undefined)],
      reason: because,
      cautions: [reason('Acid on soft tissue burns white: suction at hand, wipe and rinse at once', 'C')],
      mistakes:
        of === 'total'
          ? ['dentine left under the acid over 15 s: the bond suffers']
          : ['acid run onto the neighbour: thin tape between'],
    }),
    step({
      ...baseOf(s),
      id: `${s.stem}.etch-rinse`,
      fn: 'rinse',
      title: `Rinse ${rinseS} s, ${dried ?? `dry: ${of === 'enamel' ? 'dull white all over' : of === 'total' ? 'enamel dull, dentine moist' : 'dull where etched'}`}`,
      detail:
        of === 'enamel'
          ? 'Frosted and dull is etched; a shiny patch is etched 30 s more.'
          : 'Dried with short blows; dentine is not bleached out.',
      minutes: minutesOf(rinseS),
      passes: ['water', 'high-volume suction', 'air'],
      ties: [lastingBy(rinse, 'Rinse')],
      ...(hold ? { hold: { ...hold, again: hold.again ?? [`${s.stem}.etch`, `${s.stem}.etch-rinse`] } } : {}),
      mistakes: ['wet with spit after drying: etched again'],
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
export function lightStep(s: Spot, id: string, light: Figure, more: Partial<Draft> = {}): Block {
  return step({
    ...baseOf(s),
    id,
    fn: 'curing',
    asks: [{ reading: 'light', teeth: s.teeth }],
    title: `Light ${light.value} s, ${s.label}`,
    minutes: minutesOf(light.value),
    needs: [open('curing light'), open('light sleeve'), open('light shield')],
    ties: [lasting(light.value, 'Light', reason(light.text, light.standing))],
    figures: [light],
    cautions: [reason('Eye shield for all three; the tip close and still', 'C')],
    ...more,
  })
}

/** Pumice and water before bonding: nothing flavoured, nothing oily. */
export function pumice(s: Spot, more: Partial<Draft> = {}): Block {
  return step({
    ...baseOf(s),
    id: `${s.stem}.pumice`,
    cleans: true,
    fn: 'polishing',
    title: `Pumice and water, rinse: ${s.label}`,
    told: `cleaned ${s.label} with pumice and water`,
    minutes: [0.5, 1, 2],
    passes: ['cup with pumice'],
    needs: [open('pumice'), open('prophy cup'), open('slow handpiece'), open('dappen dish')],
    reason: practice('nothing flavoured or oily before bonding'),
    mistakes: ['flavoured paste: its oil stays and the bond lifts'],
    ...more,
  })
}

/** Excess of a resin cement, by the school picked; the reason is shown. */
export function resinExcess(c: Case, s: Spot, more: Partial<Draft> = {}): Block {
  const tack = c.choices.resinExcess === 'tack and scrape'
  return step({
    ...baseOf(s),
    id: `${s.stem}.excess`,
    fn: 'excess removal',
    title: tack
      ? `Tack about 1 s, then scrape and break the excess away, ${s.label}`
      : `Brush the excess clean, cure in turns, ${s.label}`,
    told: `removed the excess resin on ${s.label}`,
    detail: 'Floss while it can still move; knotted floss pulled through sideways.',
    minutes: [0.5, 1, 2],
    passes: tack ? ['light', 'scaler', 'floss'] : ['brush', 'floss', 'light'],
    needs: [
      open('curing light'),
      open('light shield'),
      open('floss', 300),
      ...(tack ? [open('scaler')] : [open('clean-up brush', 2)]),
      standby('scalpel', 'a flash has set'),
    ],
    reason: practice(
      tack
        ? 'let it gel, then it breaks away; wiped wet it drags out of the joint'
        : 'thin edges: brushed clean, a scaler would chip them',
    ),
    mistakes: [
      tack ? 'tacked too long: the contact is cemented shut' : 'joint wiped empty: brush along it, never across',
    ],
    ...more,
  })
}
