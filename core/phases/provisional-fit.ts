/** A provisional tried in, relined where it is short, cemented and cleaned: made today, or put on again. */
import { reason, type Reason } from '../figure'
import { provisionalBite } from './bite'
import { biteStages } from '../library/bite-stages'
import { atLeast, open, sequence, standby, step, type Block } from '../library/build'
import { cardAdds, labels, teethOf, type Case } from '../library/case'
import { mouldSteps } from './provisional'

/** What a reline takes, beside what the tray has anyway. */
export const relining = [
  standby(
    'flowable resin',
    'it is open or short in up to two neighbouring parts and 1 mm: reline; it has a bubble inside, or a contact is gone',
  ),
  standby('separator', 'it is relined: jelly again before each', 0.5),
  standby('curing light', 'a reline is cured from two sides, seated before curing'),
  standby('light shield', 'a reline is cured'),
]

/** Which provisional cement: eugenol leaves the plan when the final crown will be bonded. */
export function provisionalCement(c: Case): { need: string; because: Reason } {
  return c.request.deliveryCement === 'resin' ||
    c.restoration === 'laminate veneer' ||
    c.restoration === 'ceramic inlay' ||
    c.restoration === 'ceramic onlay'
    ? {
        need: 'provisional cement.non-eugenol',
        because: reason('a resin cement is planned for delivery: eugenol would hinder it, so non-eugenol', 'C'),
      }
    : {
        need: 'provisional cement.eugenol',
        because: reason('no bonding planned at delivery: zinc oxide and eugenol soothes and comes off clean', 'C'),
      }
}

/** Mixed at the bench, seated, cleaned once it is set. */
function cementProvisional(c: Case): Block {
  const cement = provisionalCement(c)
  return sequence(
    step({
      id: 'provisional.load',
      phase: 'provisional',
      title: 'Mix the cement, thin along the inner edge of the provisional',
      fn: 'chairside',
      place: 'bench',
      minutes: [0.3, 0.5, 0.75],
      needs: [
        open(cement.need, 1, {
          because: cement.because,
          ...(cement.need.endsWith('.eugenol')
            ? { orElse: [{ what: 'provisional cement.non-eugenol', loss: 'does not soothe' }] }
            : {}),
        }),
        open('mixing pad'),
        open('mixing spatula'),
      ],
      mistakes: ['filled to the brim: it does not go down'],
    }),
    step({
      id: 'provisional.cement',
      act: 'provisional cemented',
      phase: 'provisional',
      title: 'Dry the tooth, seat, bite on the stick',
      told: `cemented the provisional with ${cement.need.endsWith('non-eugenol') ? 'non-eugenol cement' : 'zinc oxide and eugenol cement'}`,
      tell: 'A temporary crown is on it. Nothing hard or sticky on that side. When you floss, slide the floss out sideways, not up. Call us if it comes loose, breaks, or feels too high. Do not leave it out: the teeth move, and the new crown would no longer fit.',
      fn: 'provisional cementing',
      place: 'mouth',
      helped: true,
      minutes: [0.7, 1, 1.5],
      passes: ['loaded provisional', 'bite stick'],
      needs: [open('bite stick'), open('cotton roll', 2)],
      cautions: [reason('A loose crown can be swallowed: gauze behind it, patient upright enough to cough', 'C')],
      reason: cement.because,
    }),
    step({
      id: 'provisional.excess',
      phase: 'provisional',
      title: 'Excess off with scaler and suction; knotted floss out sideways',
      told: 'removed the excess cement and flossed sideways',
      fn: 'excess removal',
      place: 'mouth',
      minutes: [1, 2, 3],
      needs: [open('scaler'), open('floss', 300)],
      ties: [
        {
          from: 'provisional.cement',
          fromEdge: 'finish',
          ...atLeast(c.rule('provisional.cement.sets')),
          title: 'Provisional cement sets',
        },
      ],
      mistakes: ['floss pulled up: the provisional comes with it', 'cement left in the sulcus: sore gum within days'],
    }),
  )
}

/** Tried in, approved, cemented, cleaned. */
export function fitProvisional(c: Case): Block {
  const contacts = c.units.flatMap((u) =>
    (['mesial', 'distal'] as const).filter((s) => u[s].tooth).map((s) => `${u.said} ${s}`),
  )
  return sequence(
    step({
      id: 'provisional.try-in',
      phase: 'provisional',
      told: 'tried the provisional in: margins, contacts, bite',
      bite: provisionalBite(c),
      title: `Try in: eight margin parts, contacts, bite, ${labels(c)}`,
      detail: `Bite: ${biteStages[provisionalBite(c)].checks}. Contacts to floss: ${contacts.length > 0 ? contacts.join(', ') : 'none, it has no neighbours'}. Short or open in up to two parts and 1 mm: reline; more: make again.`,
      fn: 'provisional trimming',
      asks: [{ reading: 'provisional', teeth: teethOf(c) }],
      place: 'mouth',
      minutes: [2, 3, 5],
      needs: [open('floss', 600), open('articulating paper', 2)],
      hold: {
        name: 'provisional',
        title: 'Provisional good',
        evidence: 'margins, contacts and bite',
        because: reason('what the patient wears for weeks is seen by the dentist before it is cemented', 'C'),
        mandatory: true,
        again: [...mouldSteps, 'provisional.trim', 'provisional.polish', 'provisional.try-in'],
      },
    }),
    ...(cardAdds(c, 'bite')
      ? [
          step({
            id: 'provisional.bite',
            phase: 'provisional',
            title: 'Bite checked in every movement',
            fn: 'occlusal check',
            place: 'mouth',
            minutes: [0.5, 1, 3],
            hold: {
              name: 'bite' as const,
              title: 'Bite',
              evidence: 'paper marks, closed and sideways',
              because: reason('the dentist’s card asks for it', 'practice'),
              fromCard: true,
            },
          }),
        ]
      : []),
    cementProvisional(c),
  )
}
