import { firstOf, lastOf, sure } from '../sure'
import { inWords, span } from '../rules'
import { reason, type Figure } from '../figure'
import { hydrocolloidSchool, injectionWindow, lightBody, trayMaterial } from '../measure/amounts'
import { boxesOf, cardAdds, labels, surfacesOf, teethOf, unitCount, type Case } from './case'
import {
  drawer,
  meanwhile,
  only,
  open,
  practice,
  sequence,
  standby,
  step,
  type Block,
  type Draft,
  type Tie,
  atLeast,
  ownOf,
  within,
} from './build'
import type { CordLayer } from '../measure/cord'
import { baseCordsOut, cordOutStep, cordStepId, drawnCounts, drawnLayer, type CordPlan, type CordSite } from './tissue'

/** The families of impression material a case may use, and the needs that name them. */
type Family = 'silicone' | 'polyether' | 'hydrocolloid'
interface Material {
  speed: 'fast' | 'regular'
  workingS: number
  inMouthS: number
  because: string
  fits: boolean
}

/** When the practice has not yet entered its product's times. Starting values, never facts of the trade. */
const startingTimes = { fast: { workingS: 75, inMouthS: 150 }, regular: { workingS: 135, inMouthS: 240 } } as const

/** What the syringe goes round: crowns and veneers by tooth, inlays and onlays by box. */
export function injectionSites(c: Case): { kind: 'crown' | 'veneer' | 'box'; n: number } {
  if (c.restoration === 'laminate veneer') return { kind: 'veneer', n: c.units.length }
  if (c.restoration === 'ceramic inlay' || c.restoration === 'ceramic onlay')
    return {
      kind: 'box',
      n: Math.max(
        1,
        c.units.reduce((sum, u) => sum + boxesOf(surfacesOf(u, 'MO')).length, 0),
      ),
    }
  return { kind: 'crown', n: c.units.length }
}

/**
 * The quickest material of the family whose working time holds the injection and the seating with 10 s in hand; the
 * slower one otherwise. Standing C for the rule, practice for the times.
 * @param drawn cords drawn between the washes.
 */
export function pickSpeed(c: Case, family: Family, drawn = 0): Material {
  const { kind, n } = injectionSites(c)
  const speeds = family === 'silicone' ? (['fast', 'regular'] as const) : (['regular'] as const)
  const made = speeds.map((speed): Material => {
    const item = c.practice.items.find((i) => i.serves.includes(`light body.${family}.${speed}`))
    const workingS = item?.workingS ?? startingTimes[speed].workingS
    const inMouthS = item?.inMouthS ?? startingTimes[speed].inMouthS
    const window = injectionWindow(kind, n, workingS, drawn, c.rule)
    return { speed, workingS, inMouthS, because: window.because, fits: window.fits && Boolean(item) }
  })
  return made.find((m) => m.fits) ?? lastOf(made)
}

/** One impression to be taken: which tray, which family, and the mark on its steps. */
interface Round {
  family: Family
  tray: 'dual-arch' | 'full' | 'custom' | 'water-cooled'
  /** '' for the first, '2.' for the second. */
  mark: string
  why?: string
}

/** The impressions of the school picked, in order; a scan is none. */
function roundsOf(c: Case): Round[] {
  const school = c.choices.impression
  if (school === 'optical scan') return []
  if (school === 'reversible hydrocolloid') {
    const { hydrocolloid, polyether } = hydrocolloidSchool(c.units.length, c.pontics.length)
    const rounds: Omit<Round, 'mark'>[] = [
      ...Array.from({ length: polyether }, () => ({
        family: 'polyether' as const,
        tray: 'custom' as const,
        why: 'two or more preparations or a bridge: one polyether in a custom tray',
      })),
      ...Array.from({ length: hydrocolloid }, () => ({
        family: 'hydrocolloid' as const,
        tray: 'water-cooled' as const,
        why: polyether > 0 ? 'and one hydrocolloid beside it' : 'a single crown: two hydrocolloid impressions',
      })),
    ]
    return rounds.map((r, i) => ({ ...r, mark: i === 0 ? '' : `${i + 1}.` }))
  }
  const first: Round =
    school === 'polyether, custom tray'
      ? { family: 'polyether', tray: 'custom', mark: '' }
      : { family: 'silicone', tray: school === 'addition silicone, dual-arch' ? 'dual-arch' : 'full', mark: '' }
  return c.choices.howMany === 'parachute'
    ? [first, { ...first, mark: '2.', why: 'a second as parachute: there is no coming back for a fault' }]
    : [first]
}

/** The cord's minutes: not drawn before, and called when it has lain long enough to hurt. */
function dwell(c: Case, from: string): Tie {
  const [least, longest] = [c.rule('cord.dwell'), c.rule('cord.longest')]
  return {
    from,
    fromEdge: 'finish',
    atLeastS: least.value,
    warnS: Math.max(longest.value, least.value),
    ...ownOf(least, longest),
    title: 'Cord dwells',
    because: inWords(
      `at least ${span(least.value)} after the last piece; over ${span(longest.value)} the tissue suffers`,
      least,
      longest,
    ),
  }
}

/** The teeth looked at and dried where no cord is drawn. */
function dryTeeth(c: Case, plan: CordPlan): Block {
  const base = plan.layers.includes('base')
  return step({
    id: 'impression.dry',
    phase: 'impression',
    title: base ? 'Rinse, dry, look at every margin; the cord stays where it is' : 'Rinse, dry, look at every margin',
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    helped: true,
    ...(base ? { ties: [dwell(c, cordStepId('base', lastOf(plan.sites)))] } : {}),
  })
}

/** One cord drawn just before the material, wet, in one smooth pull. */
function drawCord(c: Case, plan: CordPlan, layer: CordLayer, s: CordSite): Block {
  const wet = c.choices.impression === 'reversible hydrocolloid' || c.choices.impression === 'polyether, custom tray'
  return step({
    id: cordOutStep(layer, s),
    phase: 'impression',
    title: `Draw the ${layer === 'top' ? 'top cord' : 'cord'}, ${s.label}`,
    act: 'cord drawn',
    asks: [{ reading: 'cord out', teeth: [s.tooth] }],
    told: `drew the ${layer === 'top' ? 'top cord' : 'cord'} of ${s.label}, wet`,
    detail: `Rinse the agent off first; wet, one smooth pull; then ${wet ? 'leave it damp' : 'dry'}.${layer === 'top' ? ' Does the base still lie below the margin?' : ''}`,
    tooth: s.tooth,
    fn: 'cord removal',
    place: 'mouth',
    helped: true,
    minutes: [0.08, 0.13, 0.4],
    passes: ['loaded syringe in the other hand', 'tweezers', 'air'],
    countsOut: drawnCounts(plan, layer, s),
    cautions: [reason('Never dry: a dry cord takes the lining with it and it bleeds', 'C')],
    ties: [dwell(c, cordStepId(layer, lastOf(plan.sites)))],
  })
}

/** From the cord's leaving until the wash lies, or the tray, or the scan begins. */
function crevice(c: Case, from: string, to: 'start' | 'finish', again: string[]): Tie {
  const [open, warns] = [c.rule('crevice.open'), c.rule('crevice.warns')]
  return {
    from,
    fromEdge: 'finish',
    toEdge: to,
    ...within(open, warns),
    title: 'Crevice closes',
    because: to === 'start' ? inWords('the crevice starts closing as soon as the cord leaves', open) : open.because,
    whenMissed: `pack again and wait ${span(c.rule('cord.dwell').value)}`,
    again,
  }
}

function marginsHold(c: Case): Block {
  return only(cardAdds(c, 'margins'), () =>
    step({
      id: 'impression.margins',
      phase: 'impression',
      title: 'Margins clear and dry?',
      fn: 'chairside',
      place: 'mouth',
      minutes: [0.3, 0.5, 1],
      hold: {
        name: 'margins',
        title: 'Margins clear and dry',
        evidence: 'every margin in sight with the cord in',
        because: reason('the dentist’s card asks for it', 'practice'),
        fromCard: true,
      },
    }),
  )
}

const roundSteps = (mark: string, sites: readonly CordSite[] = []): string[] =>
  ['load-syringe', 'inject', ...sites.map((s) => `inject.${s.key}`), 'load-tray', 'seat', 'remove'].map(
    (act) => `impression.${mark}${act}`,
  )

/** What a retake does over: the drawn cord goes in again, and everything from the syringe to the reading. */
function retakeSteps(plan: CordPlan): string[] {
  const layer = drawnLayer(plan)
  const cord = layer ? plan.sites.flatMap((s) => [cordStepId(layer, s), cordOutStep(layer, s)]) : ['impression.dry']
  return [
    ...cord,
    ...roundSteps('', plan.sites),
    'impression.scan-preparation',
    'impression.scan-bite',
    'impression.inspect',
  ]
}

const trayWords: Record<Round['tray'], string> = {
  'dual-arch': 'dual-arch tray',
  full: 'full-arch tray',
  custom: 'custom tray',
  'water-cooled': 'water-cooled tray',
}
const familyWords: Record<Family, string> = {
  silicone: 'addition silicone',
  polyether: 'polyether',
  hydrocolloid: 'reversible hydrocolloid',
}

/** The tray that is painted and then loaded is one. */
export const customTray = (mark = ''): string => `custom tray ${mark}`

/** Needs of a tray, with what would do instead and what is lost. */
function trayNeed(c: Case, { tray, mark }: Pick<Round, 'tray' | 'mark'>): ReturnType<typeof open> {
  switch (tray) {
    case 'dual-arch':
      return open('dual-arch tray')
    case 'custom':
      return open(`custom tray.${c.jaw}`, 1, {
        piece: customTray(mark),
        words: `custom tray, ${c.jaw}`,
        orElse: [{ what: `full tray.${c.jaw}`, loss: 'uneven thickness: more shrinkage, more material' }],
      })
    case 'full':
      return open(`full tray.${c.jaw}`, 1, {
        words: `full tray, ${c.jaw}`,
        orElse: [{ what: `custom tray.${c.jaw}`, loss: 'made for this patient only, needs its adhesive' }],
      })
    case 'water-cooled':
      return open(`water-cooled tray.${c.jaw}`, 1, { words: `water-cooled tray, ${c.jaw}` })
  }
}

/** Syringe in hand, cord out, inject, tray, set, out: one window after the other. */
function trayImpression(c: Case, plan: CordPlan, round: Round): Block {
  const { family, mark } = round
  const dual = round.tray === 'dual-arch'
  const sites = injectionSites(c)
  const drawn = drawnLayer(plan) && mark === '' ? plan.sites.length : 0
  const material = pickSpeed(c, family, drawn)
  const window = injectionWindow(sites.kind, sites.n, material.workingS, drawn, c.rule)
  const own = c.practice.items.find((i) => i.serves.includes(`light body.${family}.${material.speed}`))?.perUnit
  const light = lightBody(sites.kind, sites.n, own, c.rule)
  const tray = trayMaterial(dual ? 'dual-arch quadrant' : 'full arch', c.rule)
  const layer = drawnLayer(plan)
  const first = mark === ''
  const id = (act: string): string => `impression.${mark}${act}`
  const again = first ? retakeSteps(plan) : [...roundSteps(mark), `impression.${mark}inspect`]
  const washInTray = c.choices.wash === 'tray' && family !== 'silicone'
  const offset: Figure = {
    name: 'tray loading begins',
    value: window.trayStartS,
    unit: 's after injection begins',
    text: window.because,
    standing: 'C',
  }
  const seatTies: Tie[] = [
    {
      from: id('load-syringe'),
      fromEdge: 'finish',
      toEdge: 'finish',
      warnS: material.workingS - 20,
      atMostS: material.workingS,
      title: 'Working time',
      because: reason(`${material.workingS} s, from the material’s own instructions`, 'practice'),
      whenMissed: 'it is setting: throw it out and begin with a fresh mix',
      again,
    },
    ...(layer && first && plan.sites.length === 1
      ? [crevice(c, cordOutStep(layer, firstOf(plan.sites)), 'finish', again)]
      : []),
  ]
  const heavy =
    family === 'silicone'
      ? `heavy body.silicone.${material.speed}`
      : family === 'polyether'
        ? 'medium body.polyether'
        : 'tray body.hydrocolloid'
  const dispensing =
    family === 'hydrocolloid'
      ? [open('hydrocolloid syringe')]
      : [open('impression syringe'), open('mixing tip', 2), open('dispensing gun')]
  const usual = [open(`light body.${family}.${material.speed}`, light.value), ...dispensing, open(heavy, tray.value)]
  const slower =
    family === 'silicone' && material.speed === 'fast'
      ? [standby(`light body.${family}.regular`, 'a second unit is added or hands are short', light.value)]
      : []
  const load = step({
    id: id('load-syringe'),
    phase: 'impression',
    title:
      family === 'hydrocolloid'
        ? 'Syringe material from the storage bath, tip wiped'
        : 'Bleed the cartridge, load the syringe from behind',
    fn: 'chairside',
    place: 'bench',
    minutes: [0.25, 0.35, 0.5],
    needs: [...usual, ...slower],
    figures: [light, tray],
    reason: reason(
      `${material.speed} set: ${material.because}${window.fits ? '' : '. A second pair of hands, or the arch in two parts'}`,
      'C',
    ),
    mistakes: ['filled from the front: air in the barrel, bubbles at the margin'],
    ...(round.tray === 'custom' && first
      ? {
          ties: [
            {
              from: 'impression.paint-tray',
              fromEdge: 'finish' as const,
              ...atLeast(c.rule('tray.adhesive')),
              title: 'Tray adhesive dries',
            },
          ],
        }
      : {}),
  })
  const washOn = (key: string | undefined, seconds: number, ties: Tie[] = []): Block =>
    step({
      id: key === undefined ? id('inject') : `${id('inject')}.${key}`,
      phase: 'impression',
      title: washInTray
        ? 'Keep the margins damp; the wash comes in the tray'
        : `Wash round the margin, tip in the material${key === undefined ? '' : `, ${sure(plan.sites.find((x) => x.key === key)).label}`}`,
      detail: 'Crevice first, then line angles and occlusal, well past the margins.',
      fn: 'final impression',
      place: 'mouth',
      minutes: [(seconds * 0.8) / 60, seconds / 60, (seconds * 1.4) / 60],
      passes: ['loaded syringe'],
      ties,
      ...(washInTray ? { reason: practice('the wash goes in the tray only: the material likes water') } : {}),
    })
  const loadTray = step({
    id: id('load-tray'),
    phase: 'impression',
    title:
      window.trayStartS === 0
        ? 'Load the tray as the syringe leaves your hand'
        : `Load the tray, beginning ${window.trayStartS} s after the syringe`,
    fn: 'chairside',
    place: 'bench',
    minutes: [0.3, 0.4, 0.5],
    passes: ['loaded tray, handle first'],
    needs: [
      trayNeed(c, round),
      ...(family === 'polyether' ? [open('block-out wax', 1)] : []),
      ...(family === 'hydrocolloid' ? [open('cooling hoses')] : []),
    ],
    figures: [offset],
    ...(window.trayStartS > 0
      ? {
          cues: [
            {
              from:
                first && layer && plan.sites.length > 1 ? `${id('inject')}.${firstOf(plan.sites).key}` : id('inject'),
              atS: window.trayStartS,
              until: 'start' as const,
              say: 'Start the tray now',
              because: reason(window.because, 'C'),
            },
          ],
        }
      : {}),
    ...(round.tray === 'full'
      ? { mistakes: ['tray not tried for its seat: the wall shows through beside the preparation'] }
      : {}),
  })
  const goRound = 'the syringe goes round'
  // Several cords: each is drawn, and its crevice washed at once, before the next is touched.
  const each = (s: CordSite, i: number): Block =>
    sequence(
      drawCord(c, plan, sure(layer), s),
      washOn(s.key, window.injectionS / plan.sites.length, [
        crevice(c, cordOutStep(sure(layer), sure(plan.sites[i])), 'finish', again),
      ]),
    )
  const drawAndWash = !first
    ? sequence(load, meanwhile(goRound, washOn(undefined, window.injectionS), loadTray))
    : !layer
      ? sequence(
          meanwhile('the syringe is loaded', dryTeeth(c, plan), load),
          meanwhile(goRound, washOn(undefined, window.injectionS), loadTray),
        )
      : plan.sites.length === 1
        ? sequence(
            load,
            drawCord(c, plan, layer, firstOf(plan.sites)),
            meanwhile(goRound, washOn(undefined, window.injectionS), loadTray),
          )
        : sequence(load, meanwhile(goRound, sequence(...plan.sites.map(each)), loadTray))
  return sequence(
    drawAndWash,
    step({
      id: id('seat'),
      phase: 'impression',
      told: `seated the ${dual ? 'dual-arch tray, addition silicone' : `${trayWords[round.tray]}, ${familyWords[family]}`} (${material.speed} set)`,
      title: dual
        ? 'Seat on the preparation, then close; hold the chin'
        : family === 'hydrocolloid'
          ? 'Seat the tempered tray; water on; hold still'
          : 'Seat the tray from behind forward; hold still',
      ...(dual ? { detail: 'Never both at once.' } : {}),
      fn: 'final impression',
      place: 'mouth',
      minutes: [0.1, 0.17, 0.3],
      ties: seatTies,
      ...(round.why ? { reason: practice(round.why) } : {}),
    }),
    step({
      id: id('remove'),
      phase: 'impression',
      title:
        family === 'hydrocolloid'
          ? 'Water off; tray out in one snap'
          : c.choices.setBy === 'clock'
            ? 'The time is up: tray out in one move'
            : 'Set by the bead? Tray out in one move',
      told: 'removed the tray',
      fn: 'final impression',
      place: 'mouth',
      minutes: [0.2, 0.3, 0.5],
      ties: [
        {
          from: id('seat'),
          fromEdge: 'finish',
          atLeastS: material.inMouthS,
          title: 'Sets in the mouth',
          because: reason(
            `not before ${material.inMouthS} s in the mouth, from the material’s own instructions; longer does no harm`,
            'practice',
          ),
        },
      ],
    }),
  )
}

function scan(c: Case, plan: CordPlan): Block {
  const layer = drawnLayer(plan)
  return sequence(
    step({
      id: 'impression.scan-arch',
      phase: 'impression',
      title: `Scan the neighbours and the arch${plan.layers.length > 0 ? ', cord in' : ''}`,
      fn: 'scan',
      place: 'mouth',
      minutes: [1, 1.5, 3],
      needs: [open('scanner'), open('scanner tip')],
    }),
    ...(layer ? plan.sites.map((s) => drawCord(c, plan, layer, s)) : [dryTeeth(c, plan)]),
    step({
      id: 'impression.scan-preparation',
      phase: 'impression',
      title: `Scan ${labels(c)}: dry, every margin`,
      told: `scanned ${labels(c)} with every margin dry`,
      fn: 'scan',
      place: 'mouth',
      helped: true,
      minutes: [1, 2, 4],
      passes: ['air', 'mirror'],
      ...(layer ? { ties: [crevice(c, cordOutStep(layer, firstOf(plan.sites)), 'start', retakeSteps(plan))] } : {}),
    }),
    step({
      id: 'impression.scan-bite',
      phase: 'impression',
      title: 'Bite scan, closed',
      fn: 'scan',
      place: 'mouth',
      minutes: [0.5, 1, 2],
    }),
  )
}

/** Every final impression or scan is read; the dentist's approval is a hold. */
function inspect(c: Case, plan: CordPlan, mark: string, isScan: boolean): Block {
  const second = mark !== ''
  const hold: Draft['hold'] = {
    name: 'impression',
    ...(second ? { key: '2' } : {}),
    title: isScan ? 'Scan good' : second ? 'Second impression good' : 'Impression good',
    evidence: 'all eight margin parts of each preparation',
    because: reason('every final impression or scan is the dentist’s to approve', 'C'),
    mandatory: true,
    again: second ? [...roundSteps(mark), `impression.${mark}inspect`] : retakeSteps(plan),
  }
  return step({
    id: `impression.${mark}inspect`,
    phase: 'impression',
    told: isScan ? 'read the scan on screen' : 'rinsed, dried and read the impression',
    asks: [{ reading: 'inspection', teeth: teethOf(c), scan: isScan }],
    title: isScan
      ? 'Read the scan on screen: eight margin parts, contacts, bite'
      : 'Rinse, dry, read: eight margin parts, field, tray',
    detail: 'Open or missing margin, bubble or tear on it, tray showing beside it: take it again.',
    fn: 'chairside',
    place: 'chair',
    minutes: [1, 1, 3],
    needs: [open('magnifier')],
    hold,
    mistakes: ['read only for bubbles: a margin that is short looks clean'],
  })
}

/** What each impression needs before it leaves the room: disinfected, damp or dry, poured in time. */
function putAway(c: Case, round: Round): Block {
  const { family, mark } = round
  if (family === 'hydrocolloid') {
    return step({
      id: `impression.${mark}pour`,
      phase: 'impression',
      title: 'Rinse, disinfect, pour at once; in humidity until the plaster is mixed',
      told: 'disinfected and poured the hydrocolloid at once',
      fn: 'chairside',
      place: 'bench',
      minutes: [2, 4, 6],
      needs: [open('disinfectant spray'), open('die stone'), open('mixing bowl'), open('mixing spatula')],
      ties: [
        {
          from: `impression.${mark}remove`,
          fromEdge: 'finish',
          ...within(c.rule('hydrocolloid.pour'), c.rule('hydrocolloid.warns')),
          title: 'Hydrocolloid shrinks',
          whenMissed: 'take it again, or tell the laboratory it lay dry',
          again: [...roundSteps(mark), `impression.${mark}pour`],
        },
      ],
    })
  }
  return step({
    id: `impression.${mark}disinfect`,
    phase: 'impression',
    told: 'disinfected, bagged and labelled the impression',
    title: family === 'polyether' ? 'Disinfect, keep dry, bag and label' : 'Disinfect, bag and label',
    fn: 'chairside',
    place: 'bench',
    minutes: [0.5, 1, 2],
    needs: [open('disinfectant spray'), open('impression bag')],
  })
}

/** The final impression or scan, read and approved by the dentist before the base cord leaves and the material is put away. */
export function finalImpression(c: Case, plan: CordPlan): Block {
  const rounds = roundsOf(c)
  const isScan = rounds.length === 0
  const bite = !isScan && firstOf(rounds).tray !== 'dual-arch'
  return sequence(
    marginsHold(c),
    isScan ? scan(c, plan) : trayImpression(c, plan, firstOf(rounds)),
    inspect(c, plan, '', isScan),
    ...rounds.slice(1).flatMap((r) => [trayImpression(c, plan, r), inspect(c, plan, r.mark, false)]),
    baseCordsOut(plan),
    isScan
      ? step({
          id: 'impression.send',
          phase: 'impression',
          title: 'Send the scan to the laboratory',
          told: 'sent the scan to the laboratory',
          fn: 'chairside',
          place: 'desk',
          minutes: [0.5, 1, 3],
        })
      : sequence(...rounds.map((r) => putAway(c, r))),
    only(bite, () =>
      step({
        id: 'impression.bite-record',
        phase: 'impression',
        title: 'Bite record over the preparation',
        told: 'took the bite record in silicone',
        fn: 'bite record',
        place: 'mouth',
        minutes: [1.5, 2, 3],
        needs: [
          open('bite silicone', 6.5 + c.rule('tip.loss').value),
          open('mixing tip'),
          ...(unitCount(c) >= 3 ? [drawer('facebow', 'several units, and the dentist wants it')] : []),
        ],
      }),
    ),
  )
}
