/** The final impression or scan: taken, read, approved, put away. */
import { firstOf } from '../sure'
import { reason } from '../figure'
import { drawer, only, open, sequence, step, within, type Block, type Draft } from '../library/build'
import { cardAdds, labels, teethOf, unitCount, type Case } from '../library/case'
import { crevice, fieldReady, retakeSteps, roundSteps } from './crevice'
import { roundsOf, type Round } from './impression-material'
import { trayImpression } from './impression-tray'
import { type CordPlan } from './cord-plan'
import { baseCordsOut } from './tissue'

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

function scan(c: Case, plan: CordPlan): Block {
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
    fieldReady(c, plan, undefined),
    step({
      id: 'impression.scan-preparation',
      imprints: c.jaw,
      phase: 'impression',
      title: `Scan ${labels(c)}: dry, every margin`,
      told: `scanned ${labels(c)} with every margin dry`,
      fn: 'scan',
      place: 'mouth',
      helped: true,
      minutes: [1, 2, 4],
      passes: ['air', 'mirror'],
      ties: crevice(c, plan, 'start', retakeSteps(plan)),
      detail: 'Eyes go between mouth and screen; each surface is looked at as it appears.',
    }),
    step({
      id: 'impression.scan-bite',
      phase: 'impression',
      title: 'Bite scan, closed',
      fn: 'scan',
      place: 'mouth',
      minutes: [0.5, 1, 2],
    }),
    step({
      id: 'impression.scan-holes',
      phase: 'impression',
      title: 'Holes in the scan filled: contacts, undersides, behind the last tooth',
      told: 'filled the holes in the scan',
      fn: 'scan',
      place: 'mouth',
      minutes: [0.3, 0.7, 2],
      passes: ['air', 'mirror'],
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
    detail: isScan
      ? 'A margin open, missing, blurred or stepped, a hole on it: dry and scan that place again.'
      : 'Open or missing margin, bubble or tear on it, tray showing beside it: take it again.',
    fn: 'chairside',
    place: 'chair',
    minutes: [1, 1, 3],
    needs: [open('magnifier')],
    hold,
    mistakes: [
      isScan
        ? 'what the scan filled in by itself taken for a margin: look at the raw scan'
        : 'read only for bubbles: a margin that is short looks clean',
    ],
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
    baseCordsOut(c, plan, plan.guards === true || plan.agent === 'plain'),
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
