/** One impression in a tray: syringe in hand, cord out, inject, tray, set, out, one window after the other. */
import { reason, type Figure, type Reason } from '../figure'
import { lightBody, trayMaterial, type InjectionWindow } from '../measure/amounts'
import type { Choreography } from '../model/lanes'
import {
  atLeast,
  meanwhile,
  nothing,
  open,
  practice,
  sequence,
  standby,
  step,
  type Block,
  type Draft,
} from '../library/build'
import type { Case } from '../library/case'
import { crevice, fieldReady, retakeSteps, roundSteps } from './crevice'
import {
  familyWords,
  injectionSites,
  inTrayOnly,
  pickSpeed,
  trayNeed,
  trayWords,
  windowOf,
  type Material,
  type Round,
} from './impression-material'
import { drawnLayer, type CordPlan } from './cord-plan'

/** What is worked out once for an impression and used by each of its steps. */
interface Taking {
  c: Case
  plan: CordPlan
  round: Round
  material: Material
  /** When the tray is loaded, and how long the syringe goes round, s. */
  window: InjectionWindow
  light: Figure
  tray: Figure
  first: boolean
  /** The step of an act, with the round's own mark. */
  id: (act: string) => string
  /** What is done over when one of its windows is missed. */
  again: string[]
}

function takingOf(c: Case, plan: CordPlan, round: Round): Taking {
  const { family, mark } = round
  const sites = injectionSites(c)
  const first = mark === ''
  const drawn = drawnLayer(plan) && first ? plan.sites.length : 0
  const material = pickSpeed(c, family, drawn)
  const own = c.practice.items.find((i) => i.serves.includes(`light body.${family}.${material.speed}`))?.perUnit
  return {
    c,
    plan,
    round,
    material,
    window: windowOf(c, family, material.workingS, drawn),
    light: lightBody(sites.kind, sites.n, own, c.rule),
    tray: trayMaterial(round.tray === 'dual-arch' ? 'dual-arch quadrant' : 'full arch', c.rule),
    first,
    id: (act) => `impression.${mark}${act}`,
    again: first ? retakeSteps(plan) : [...roundSteps(mark), `impression.${mark}inspect`],
  }
}

/** What is mixed and what mixes it. */
function materialNeeds({ c, round: { family }, material, light, tray }: Taking): NonNullable<Draft['needs']> {
  const wash = open(`light body.${family}.${material.speed}`, light.value)
  if (family === 'hydrocolloid') return [wash, open('hydrocolloid syringe'), open('tray body.hydrocolloid', tray.value)]
  const heavy = family === 'silicone' ? `heavy body.silicone.${material.speed}` : 'medium body.polyether'
  return [
    wash,
    ...(inTrayOnly(c, family) ? [] : [open('impression syringe')]),
    open('mixing tip', 2),
    open('dispensing gun'),
    open(heavy, tray.value),
    ...(family === 'silicone' && material.speed === 'fast'
      ? [standby('light body.silicone.regular', 'a second unit is added or hands are short', light.value)]
      : []),
  ]
}

/** A painted tray takes nothing before it is dry. */
const adhesiveDry = ({ c, round, first }: Taking): NonNullable<Draft['ties']> =>
  round.tray === 'custom' && first
    ? [
        {
          from: 'impression.paint-tray',
          fromEdge: 'finish',
          ...atLeast(c.rule('tray.adhesive')),
          title: 'Tray adhesive dries',
        },
      ]
    : []

/** Why this speed, and what to do where even it is too short. */
const speedReason = ({ material, window }: Taking): Reason =>
  reason(
    `${material.speed} set: ${material.because}${window.fits ? '' : '. A second pair of hands, or the arch in two parts'}`,
    'C',
  )

function loadSyringe(t: Taking): Block {
  const { round, light, tray, id } = t
  return step({
    id: id('load-syringe'),
    phase: 'impression',
    title:
      round.family === 'hydrocolloid'
        ? 'Syringe material from the storage bath, tip wiped'
        : 'Bleed the cartridge, load the syringe from behind',
    fn: 'chairside',
    place: 'bench',
    minutes: [0.25, 0.35, 0.5],
    needs: materialNeeds(t),
    figures: [light, tray],
    reason: speedReason(t),
    mistakes: ['filled from the front: air in the barrel, bubbles at the margin'],
    ties: adhesiveDry(t),
  })
}

/** The wash round every margin in turn, without leaving the material. */
function wash({ c, plan, window, first, id, again }: Taking): Block {
  const seconds = window.injectionS
  const { n } = injectionSites(c)
  return step({
    id: id('inject'),
    phase: 'impression',
    title:
      n > 1
        ? `Wash round ${n === 2 ? 'both' : `all ${n}`} margins in turn, tip in the material`
        : 'Wash round the margin, tip in the material',
    detail: 'Crevice first, then line angles and occlusal, well past the margins.',
    fn: 'final impression',
    place: 'mouth',
    minutes: [(seconds * 0.8) / 60, seconds / 60, (seconds * 1.4) / 60],
    passes: ['loaded syringe'],
    ties: first ? crevice(c, plan, 'finish', again) : [],
  })
}

/** The tray, and what its material wants with it. */
const trayNeeds = ({ c, round }: Taking): NonNullable<Draft['needs']> => [
  trayNeed(c, round),
  ...(round.family === 'polyether' ? [open('block-out wax', 1)] : []),
  ...(round.family === 'hydrocolloid' ? [open('cooling hoses')] : []),
]

/** A tray being loaded, with or without the wash. */
function loading({ c, id }: Taking) {
  const loadS = c.rule('tray.load').value
  return {
    id: id('load-tray'),
    phase: 'impression',
    fn: 'chairside',
    place: 'bench',
    minutes: [(loadS * 0.8) / 60, loadS / 60, (loadS * 1.3) / 60],
    passes: ['loaded tray, handle first'],
  } satisfies Omit<Draft, 'title'>
}

function loadTray(t: Taking): Block {
  const { round, window, id } = t
  return step({
    ...loading(t),
    title:
      window.trayStartS === 0
        ? 'Load the tray as the syringe leaves your hand'
        : `Load the tray, beginning ${window.trayStartS} s after the syringe`,
    needs: trayNeeds(t),
    figures: [
      {
        name: 'tray loading begins',
        value: window.trayStartS,
        unit: 's after injection begins',
        text: window.because,
        standing: 'C',
      },
    ],
    ...(window.trayStartS > 0
      ? {
          ties: [
            {
              from: id('inject'),
              fromEdge: 'start' as const,
              atLeastS: window.trayStartS,
              title: 'Tray loading begins',
              because: reason(window.because, 'C'),
            },
          ],
        }
      : {}),
    ...(round.tray === 'full'
      ? { mistakes: ['tray not tried for its seat: the wall shows through beside the preparation'] }
      : {}),
  })
}

/** The tray with its wash on top, while the margins are kept damp: the only thing that is mixed. */
function trayWithWash(t: Taking): Block {
  const { light, tray } = t
  return step({
    ...loading(t),
    title: 'Load the tray, the wash on top; the margins stay damp',
    needs: [...materialNeeds(t), ...trayNeeds(t)],
    figures: [light, tray],
    reason: practice(`the wash goes in the tray only: the material likes water; ${speedReason(t).text}`),
    ties: adhesiveDry(t),
    mistakes: ['air shut in between wash and tray: a bubble at the margin'],
  })
}

/** From the syringe to the loaded tray: one train, no step of it twice. */
function toTheTray(t: Taking): Block {
  if (inTrayOnly(t.c, t.round.family))
    return sequence(t.first ? fieldReady(t.c, t.plan, undefined) : nothing, trayWithWash(t))
  const washing = meanwhile('the syringe goes round', wash(t), loadTray(t))
  return sequence(t.first ? fieldReady(t.c, t.plan, loadSyringe(t)) : loadSyringe(t), washing)
}

/** Seconds from the tray's hand-over until it is down; our estimate. */
const seatS = 10

/** Wash and tray by person: one offset, from the window the plan itself works with. */
function washAndTray({ c, window, material, id }: Taking): Choreography {
  return {
    title: 'Wash and tray',
    from: id('inject'),
    acts: [
      {
        id: 'wash',
        say: 'Wash, without leaving the material',
        takesS: window.injectionS,
        by: 'dentist',
        fn: 'final impression',
      },
      {
        id: 'tray',
        say: 'Load the tray',
        takesS: c.rule('tray.load').value,
        by: 'assistant',
        fn: 'chairside',
        notBeforeS: window.trayStartS,
      },
      {
        id: 'seat',
        say: 'Syringe away, tray down',
        takesS: seatS,
        by: 'dentist',
        fn: 'final impression',
        after: ['wash', 'tray'],
      },
    ],
    // The working time runs from the loaded syringe: what is left of it once the wash begins is the clock's to say.
    because: reason(`${window.because}; working time ${material.workingS} s`, 'C'),
    waysOut: 'a second pair of hands for the tray',
  }
}

function seatTray(t: Taking): Block {
  const { c, round, material, id, again } = t
  const dual = round.tray === 'dual-arch'
  const alone = inTrayOnly(c, round.family)
  return step({
    id: id('seat'),
    imprints: c.jaw,
    phase: 'impression',
    told: `seated the ${dual ? 'dual-arch tray, addition silicone' : `${trayWords[round.tray]}, ${familyWords[round.family]}`} (${material.speed} set)`,
    title: dual
      ? 'Seat on the preparation, then close; hold the chin'
      : round.family === 'hydrocolloid'
        ? 'Seat the tempered tray; water on; hold still'
        : 'Seat the tray, back first, then the front; hold still',
    detail: dual ? 'Never both at once.' : 'Mouth and throat looked at first: nothing loose lies there.',
    fn: 'final impression',
    place: 'mouth',
    ...(alone ? {} : { lanes: washAndTray(t) }),
    minutes: [0.1, 0.17, 0.3],
    ties: [
      // Nothing was washed before: the gum waits for the tray.
      ...(alone && t.first ? crevice(c, t.plan, 'finish', again) : []),
      {
        from: id(alone ? 'load-tray' : 'load-syringe'),
        fromEdge: alone ? 'start' : 'finish',
        toEdge: 'finish',
        warnS: material.workingS - 20,
        atMostS: material.workingS,
        title: 'Working time',
        because: reason(`${material.workingS} s, from the material’s own instructions`, 'practice'),
        whenMissed: 'it is setting: throw it out and begin with a fresh mix',
        again,
      },
    ],
    ...(round.why ? { reason: practice(round.why) } : {}),
  })
}

function takeOut({ c, round, material, id }: Taking): Block {
  return step({
    id: id('remove'),
    phase: 'impression',
    title:
      round.family === 'hydrocolloid'
        ? 'Water off; tray out in one snap'
        : c.choices.setBy === 'clock'
          ? 'The time is up: tray out in one move'
          : 'Has the bead set? Tray out in one move',
    told: 'removed the tray',
    detail: 'Then mouth and throat looked at again: nothing torn off is left.',
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
  })
}

/** One round of the case's impressions, from the syringe to the tray out of the mouth. */
export function trayImpression(c: Case, plan: CordPlan, round: Round): Block {
  const taking = takingOf(c, plan, round)
  return sequence(toTheTray(taking), seatTray(taking), takeOut(taking))
}
