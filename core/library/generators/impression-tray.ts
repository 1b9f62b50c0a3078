/** One impression in a tray: syringe in hand, cord out, inject, tray, set, out, one window after the other. */
import { lay } from '../lay'
import { reason, type Figure, type Reason } from '../../figure'
import { lightBody, trayMaterial, type InjectionWindow } from '../../measure/amounts'
import { atLeast, meanwhile, nothing, open, sequence, standby, type Block, type Draft } from '../build'
import type { Case } from '../case'
import { crevice, fieldReady, retakeSteps, roundSteps } from './crevice'
import {
  familyWords,
  injectionSites,
  inTrayOnly,
  isPainted,
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
  isPainted(round) && first
    ? [
        {
          from: 'impression.paint-tray',
          fromEdge: 'finish',
          ...atLeast(c.rule(round.family === 'silicone' ? 'tray.adhesive.silicone' : 'tray.adhesive')),
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
  const { c, round, light, tray } = t
  return lay(c, 'impression.$(mark)load-syringe', {
    mark: round.mark,
    family: round.family,
    materialNeeds: materialNeeds(t),
    light,
    tray,
    speedReason: speedReason(t),
    adhesiveDry: adhesiveDry(t),
  })
}

/** The wash round every margin in turn, without leaving the material. */
function wash({ c, plan, round, window, first, again }: Taking): Block {
  const seconds = window.injectionS
  const { n } = injectionSites(c)
  return lay(c, 'impression.$(mark)inject', {
    mark: round.mark,
    n,
    shortest: (seconds * 0.8) / 60,
    likely: seconds / 60,
    longest: (seconds * 1.4) / 60,
    first,
    crevice: crevice(c, plan, 'finish', again),
  })
}

/** The tray, and what its material wants with it. */
const trayNeeds = ({ c, round }: Taking): NonNullable<Draft['needs']> => [
  trayNeed(c, round),
  ...(round.family === 'hydrocolloid' ? [open('cooling hoses')] : []),
]

/** The tray loaded, with or without the wash on top: the only thing that is mixed where the margins are kept damp. */
const loading = ({ c, round }: Taking) => {
  const loadS = c.rule('tray.load').value
  return { mark: round.mark, shortest: (loadS * 0.8) / 60, likely: loadS / 60, longest: (loadS * 1.3) / 60 }
}
function loadTray(t: Taking): Block {
  const { c, round, window } = t
  return lay(c, 'impression.$(mark)load-tray', {
    ...loading(t),
    trayNeeds: trayNeeds(t),
    trayStartS: window.trayStartS,
    because: window.because,
    tray: round.tray,
  })
}
function trayWithWash(t: Taking): Block {
  const { c, light, tray } = t
  return lay(c, 'impression.$(mark)load-tray:wash on top', {
    ...loading(t),
    needs: [...materialNeeds(t), ...trayNeeds(t)],
    light,
    tray,
    speed: speedReason(t).text,
    adhesiveDry: adhesiveDry(t),
  })
}

/** From the syringe to the loaded tray: one train, no step of it twice. */
function toTheTray(t: Taking): Block {
  if (inTrayOnly(t.c, t.round.family))
    return sequence(t.first ? fieldReady(t.c, t.plan, undefined) : nothing, trayWithWash(t))
  const washing = meanwhile('the syringe goes round', wash(t), loadTray(t))
  return sequence(t.first ? fieldReady(t.c, t.plan, loadSyringe(t)) : loadSyringe(t), washing)
}

function seatTray(t: Taking): Block {
  const { c, round, material, id, again } = t
  const dual = round.tray === 'dual-arch'
  const alone = inTrayOnly(c, round.family)
  return lay(c, 'impression.$(mark)seat', {
    mark: round.mark,
    speed: material.speed,
    trayWords: trayWords[round.tray],
    familyWords: familyWords[round.family],
    dual,
    family: round.family,
    alone,
    washS: t.window.injectionS,
    trayStartS: t.window.trayStartS,
    windowBecause: t.window.because,
    first: t.first,
    crevice: crevice(c, t.plan, 'finish', again),
    id: id(alone ? 'load-tray' : 'load-syringe'),
    warnS: material.workingS - 20,
    workingS: material.workingS,
    again,
    why: round.why,
  })
}

function takeOut({ c, round, material }: Taking): Block {
  return lay(c, 'impression.$(mark)remove', { mark: round.mark, family: round.family, inMouthS: material.inMouthS })
}

/** One round of the case's impressions, from the syringe to the tray out of the mouth. */
export function trayImpression(c: Case, plan: CordPlan, round: Round): Block {
  const taking = takingOf(c, plan, round)
  return sequence(toTheTray(taking), seatTray(taking), takeOut(taking))
}
