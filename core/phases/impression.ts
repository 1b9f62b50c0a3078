import { reason, type Figure } from '../figure'
import { injectionWindow, lightBody, tipLossMl, trayMaterial } from '../measure/amounts'
import { jawOf } from '../teeth/notation'
import { cardAdds, labels, type Case } from './case'
import { meanwhile, nothing, open, sequence, standby, step, type Block, type Tie } from './build'
import { baseCordsOut, cordCountId, cordOutStep, cordStepId, drawnLayer, type CordPlan } from './tissue'

/** The families of impression material a case may use, and the needs that name them. */
type Family = 'silicone' | 'polyether'
interface Material {
  speed: 'fast' | 'regular'
  workingS: number
  inMouthS: number
  because: string
  fits: boolean
}

/** When the practice has not yet entered its product's times. Starting values, never facts of the trade. */
const startingTimes = { fast: { workingS: 75, inMouthS: 150 }, regular: { workingS: 135, inMouthS: 240 } } as const

/**
 * The quickest material of the family whose working time holds the injection and the seating with 10 s in hand; the
 * slower one otherwise. Standing C for the rule, practice for the times.
 */
export function pickSpeed(c: Case, family: Family): Material {
  const made = (['fast', 'regular'] as const).map((speed): Material => {
    const item = c.practice.items.find((i) => i.serves.includes(`light body.${family}.${speed}`))
    const workingS = item?.workingS ?? startingTimes[speed].workingS
    const inMouthS = item?.inMouthS ?? startingTimes[speed].inMouthS
    const window = injectionWindow('crown', c.units.length, workingS)
    return { speed, workingS, inMouthS, because: window.because, fits: window.fits && Boolean(item) }
  })
  return made.find((m) => m.fits) ?? made[1]!
}

const dwell = (from: string): Tie => ({
  from,
  fromEdge: 'finish',
  atLeastS: 300,
  warnS: 900,
  title: 'Cord dwells',
  because: reason('at least 5 min after the last piece; over 15 min the tissue suffers (M)', 'C'),
})

/** The cord that is drawn just before the material, wet, in one smooth pull. */
function drawCords(c: Case, plan: CordPlan): Block {
  const layer = drawnLayer(plan)
  if (!layer) {
    return step({ id: 'impression.dry', phase: 'impression', title: 'Rinse, dry, look at every margin', fn: 'chairside', place: 'mouth', minutes: [0.3, 0.5, 1], helped: true })
  }
  const last = c.units.at(-1)!
  return sequence(
    ...c.units.map((u) =>
      step({
        id: cordOutStep(layer, u),
        phase: 'impression',
        title: `Draw the ${layer === 'top' ? 'top cord' : 'cord'}, ${u.label}`,
        told: `drew the ${layer === 'top' ? 'top cord' : 'cord'} of ${u.label}, wet`,
        detail: 'Rinse the agent off first; wet, one smooth pull; then dry. Does the base still lie below the margin?'.replace(layer === 'top' ? '' : ' Does the base still lie below the margin?', ''),
        tooth: u.tooth,
        fn: 'cord removal',
        place: 'mouth',
        helped: true,
        minutes: [0.15, 0.25, 0.5],
        passes: ['loaded syringe in the other hand', 'tweezers', 'air'],
        countOut: cordCountId(layer, u),
        cautions: [reason('Never dry: a dry cord takes the lining with it and it bleeds', 'C')],
        ties: [dwell(cordStepId(layer, last))],
      }),
    ),
  )
}

function marginsHold(c: Case): Block {
  if (!cardAdds(c, 'margins')) return nothing
  return step({
    id: 'impression.margins',
    phase: 'impression',
    title: 'Margins clear and dry?',
    fn: 'chairside',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    hold: { name: 'margins', title: 'Margins clear and dry', evidence: 'every margin in sight with the cord in', because: reason('the dentist’s card asks for it', 'practice'), fromCard: true },
  })
}

/** What a retake does over: the drawn cord goes in again, and everything from the syringe to the reading. */
function retakeSteps(c: Case, plan: CordPlan): string[] {
  const layer = drawnLayer(plan)
  const cord = layer ? c.units.flatMap((u) => [cordStepId(layer, u), cordOutStep(layer, u)]) : ['impression.dry']
  return [...cord, 'impression.load-syringe', 'impression.inject', 'impression.load-tray', 'impression.seat', 'impression.remove', 'impression.scan-preparation', 'impression.scan-bite', 'impression.inspect']
}

/** Syringe in hand, cord out, inject, tray, set, out, look: one window after the other. */
function trayImpression(c: Case, plan: CordPlan): Block {
  const dual = c.choices.impression === 'addition silicone, dual-arch'
  const family: Family = dual ? 'silicone' : 'polyether'
  const material = pickSpeed(c, family)
  const window = injectionWindow('crown', c.units.length, material.workingS)
  const light = lightBody('crown', c.units.length)
  const tray = trayMaterial(dual ? 'dual-arch quadrant' : 'full arch')
  const jaw = jawOf(c.units[0]!.tooth)
  const layer = drawnLayer(plan)
  const firstDraw = layer ? cordOutStep(layer, c.units[0]!) : 'impression.dry'
  const offset: Figure = { name: 'tray loading begins', value: window.trayStartS, unit: 's after injection begins', text: window.because, standing: 'C' }
  const seatTies: Tie[] = [
    { from: 'impression.load-syringe', fromEdge: 'finish', toEdge: 'finish', warnS: material.workingS - 20, atMostS: material.workingS, title: 'Working time', because: reason(`${material.workingS} s, from the material’s own instructions`, 'practice'), whenMissed: 'it is setting: throw it out and begin with a fresh mix', again: retakeSteps(c, plan) },
    ...(layer ? [{ from: firstDraw, fromEdge: 'finish' as const, toEdge: 'finish' as const, warnS: 45, atMostS: 60, title: 'Crevice closes', because: reason('the crevice starts closing as soon as the cord leaves; tray seated within 60 s', 'M'), whenMissed: 'pack again and wait five minutes', again: retakeSteps(c, plan) }] : []),
  ]
  const usual = [open(`light body.${family}.${material.speed}`, light.value), open('impression syringe'), open('mixing tip', 2), open('dispensing gun'), open(dual ? `heavy body.silicone.${material.speed}` : 'medium body.polyether', tray.value)]
  return sequence(
    step({
      id: 'impression.load-syringe',
      phase: 'impression',
      title: 'Bleed the cartridge, load the syringe from behind',
      fn: 'chairside',
      place: 'bench',
      minutes: [0.25, 0.35, 0.5],
      needs: [...usual, ...(material.speed === 'fast' ? [standby(`light body.${family}.regular`, 'a second unit is added or hands are short', light.value)] : [])],
      figures: [light, tray],
      reason: reason(`${material.speed} set: ${material.because}`, 'C'),
      ...(dual ? {} : { ties: [{ from: 'impression.paint-tray', fromEdge: 'finish' as const, atLeastS: 900, title: 'Tray adhesive dries', because: reason('painted 15 min before', 'C') }] }),
    }),
    drawCords(c, plan),
    meanwhile(
      'the syringe goes round',
      step({
        id: 'impression.inject',
        phase: 'impression',
        title: 'Wash round the margin, tip in the material',
        detail: 'Crevice first, then line angles and occlusal, well past the margins.',
        fn: 'final impression',
        place: 'mouth',
        minutes: [(window.injectionS * 0.8) / 60, window.injectionS / 60, (window.injectionS * 1.4) / 60],
        passes: ['loaded syringe'],
      }),
      step({
        id: 'impression.load-tray',
        phase: 'impression',
        title: window.trayStartS === 0 ? 'Load the tray as the syringe leaves your hand' : `Load the tray, beginning ${window.trayStartS} s after the syringe`,
        fn: 'chairside',
        place: 'bench',
        minutes: [0.3, 0.4, 0.5],
        passes: ['loaded tray, handle first'],
        needs: [open(dual ? 'dual-arch tray' : `custom tray.${jaw}`), ...(dual ? [] : [open('block-out wax', 1)])],
        figures: [offset],
      }),
    ),
    step({
      id: 'impression.seat',
      phase: 'impression',
      told: `seated the ${dual ? 'dual-arch tray, addition silicone' : 'custom tray, polyether'} (${material.speed} set)`,
      title: dual ? 'Seat on the preparation, then close; hold the chin' : 'Seat the tray from behind forward; hold still',
      detail: dual ? 'Never both at once.' : undefined,
      fn: 'final impression',
      place: 'mouth',
      minutes: [0.1, 0.17, 0.3],
      ties: seatTies,
    }),
    step({
      id: 'impression.remove',
      phase: 'impression',
      title: 'Set by the bead? Tray out in one move',
      told: 'removed the tray',
      fn: 'final impression',
      place: 'mouth',
      minutes: [0.2, 0.3, 0.5],
      ties: [{ from: 'impression.seat', fromEdge: 'finish', atLeastS: material.inMouthS, title: 'Sets in the mouth', because: reason(`not before ${material.inMouthS} s in the mouth, from the material’s own instructions; longer does no harm`, 'practice') }],
    }),
  )
}

function scan(c: Case, plan: CordPlan): Block {
  const layer = drawnLayer(plan)
  return sequence(
    step({
      id: 'impression.scan-arch',
      phase: 'impression',
      title: 'Scan the neighbours and the arch, cord in',
      fn: 'scan',
      place: 'mouth',
      minutes: [1, 1.5, 3],
      needs: [open('scanner'), open('scanner tip')],
    }),
    drawCords(c, plan),
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
      ...(layer ? { ties: [{ from: cordOutStep(layer, c.units[0]!), fromEdge: 'finish' as const, toEdge: 'start' as const, warnS: 45, atMostS: 60, title: 'Crevice closes', because: reason('the crevice starts closing as soon as the cord leaves', 'M'), whenMissed: 'pack again and wait five minutes', again: retakeSteps(c, plan) }] } : {}),
    }),
    step({ id: 'impression.scan-bite', phase: 'impression', title: 'Bite scan, closed', fn: 'scan', place: 'mouth', minutes: [0.5, 1, 2] }),
  )
}

/** The final impression or scan, read and approved by the dentist before the base cord leaves and the material is put away. */
export function finalImpression(c: Case, plan: CordPlan): Block {
  const isScan = c.choices.impression === 'optical scan'
  const polyether = c.choices.impression === 'polyether, custom tray'
  return sequence(
    marginsHold(c),
    isScan ? scan(c, plan) : trayImpression(c, plan),
    step({
      id: 'impression.inspect',
      phase: 'impression',
      told: isScan ? 'read the scan on screen' : 'rinsed, dried and read the impression',
      title: isScan ? 'Read the scan on screen: eight margin parts, contacts, bite' : 'Rinse, dry, read: eight margin parts, field, tray',
      detail: 'Open or missing margin, bubble or tear on it, tray showing beside it: take it again.',
      fn: 'chairside',
      place: 'chair',
      minutes: [1, 1, 3],
      needs: [open('magnifier')],
      hold: { name: 'impression', title: isScan ? 'Scan good' : 'Impression good', evidence: 'all eight margin parts of each preparation', because: reason('every final impression or scan is the dentist’s to approve', 'C'), mandatory: true, again: retakeSteps(c, plan) },
      mistakes: ['read only for bubbles: a margin that is short looks clean'],
    }),
    baseCordsOut(c, plan),
    isScan
      ? step({ id: 'impression.send', phase: 'impression', title: 'Send the scan to the laboratory', told: 'sent the scan to the laboratory', fn: 'chairside', place: 'desk', minutes: [0.5, 1, 3] })
      : step({
          id: 'impression.disinfect',
          phase: 'impression',
          told: 'disinfected, bagged and labelled the impression',
          title: polyether ? 'Disinfect, keep dry, bag and label' : 'Disinfect, bag and label',
          fn: 'chairside',
          place: 'bench',
          minutes: [0.5, 1, 2],
          needs: [open('disinfectant spray'), open('impression bag')],
        }),
    polyether
      ? step({ id: 'impression.bite-record', phase: 'impression', title: 'Bite record over the preparation', told: 'took the bite record in silicone', fn: 'bite record', place: 'mouth', minutes: [1.5, 2, 3], needs: [open('bite silicone', 6.5 + tipLossMl), open('mixing tip')] })
      : nothing,
  )
}
