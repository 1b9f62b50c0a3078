/** What deliveries share: provisional off, cleaned, piece tried and approved, cemented or bonded, clean. */
import type { Choreography } from '../model/lanes'
import { soreTooth } from '../measure/numbing'
import { reason, type Reason } from '../figure'
import { checkBite } from './bite'
import {
  acts,
  nothing,
  only,
  open,
  practice,
  sequence,
  standby,
  type Block,
  type Draft,
  within,
} from '../library/build'
import { labels, type Case, teethOf } from '../library/case'
import { leftIn, leftWords } from './handed-on'

const act = acts({ phase: 'delivery', fn: 'chairside', place: 'mouth', helped: true })

/** The provisional comes off; what is left of its cement goes with pumice. */
export function provisionalOff(c: Case, how: 'lift' | 'cut' | 'flick' = 'lift'): Block {
  const vital = c.request.vital
  const eugenol = c.request.earlier.some((e) => e.uses.includes('provisional cement.eugenol'))
  const left = leftIn(c)
  const counts = left.map(({ what, n }, i) => ({
    id: `left-in-${i + 1}`,
    what,
    planned: n,
    outStep: 'delivery.provisional-off',
  }))
  return sequence(
    only(left.length > 0, () =>
      act('delivery.left-in', `Left in at the first visit: ${leftWords(left)}; looked for`, [0.2, 0.3, 0.5], {
        countsIn: counts,
        needs: [open('mirror')],
        reason: practice('what lies under a provisional comes out with it, or the piece does not go down'),
      }),
    ),
    act(
      'delivery.provisional-off',
      how === 'cut'
        ? `Cut the provisional of ${labels(c)}, spread it, lift`
        : how === 'flick'
          ? `Provisional out of ${labels(c)} in one piece, stopping with it`
          : `Provisional off ${labels(c)}: haemostat and roll, rock, never a yank`,
      [1, 2, 4],
      {
        act: 'provisional off',
        told: `removed the provisional of ${labels(c)}`,
        countsOut: counts.map((x) => x.id),
        leaves: 'cement',
        fn: 'provisional cementing',
        hurts: vital ? soreTooth(...teethOf(c)) : [],
        passes: how === 'flick' ? ['spoon excavator', 'gauze'] : ['haemostat', 'cotton roll', 'gauze behind'],
        needs:
          how === 'flick'
            ? [open('spoon excavator')]
            : [open('haemostat'), open('cotton roll', 2), ...(how === 'cut' ? [open('high-speed handpiece')] : [])],
        ...(how === 'cut'
          ? { cut: { id: 'delivery.provisional-off', form: 'split' as const, depthMm: 1.2, surface: 'provisional' } }
          : {}),
        cautions: [reason('A loose provisional can be swallowed: gauze behind it', 'C')],
      },
    ),
    act('delivery.clean', `Clean ${labels(c)}: cement off, pumice and water, rinse`, [1, 2, 4], {
      cleans: true,
      told: `cleaned ${labels(c)} of provisional cement`,
      fn: 'polishing',
      hurts: vital ? soreTooth(...teethOf(c)) : [],
      passes: ['scaler', 'cup with pumice'],
      needs: [open('scaler'), open('pumice'), open('prophy cup'), open('slow handpiece')],
      ...(eugenol
        ? {
            cautions: [
              reason('There was eugenol under the provisional: every trace off before anything is bonded', 'C'),
            ],
          }
        : {}),
      mistakes: ['a speck of cement left: the piece does not seat'],
    }),
  )
}

/**
 * Tried in: contacts, seat, margins, then the bite; the dentist signs fit. What is bonded is never bitten on before: no paper is
 * out then, and the bite comes after the last light.
 */
export function tryIn(c: Case, what: string, more: Partial<Draft> = {}, { bitten = true } = {}): Block {
  const contacts = c.units.flatMap((u) =>
    (['mesial', 'distal'] as const).filter((s) => u[s].tooth).map((s) => `${u.said} ${s}`),
  )
  const first = `Contacts first: ${contacts.length > 0 ? contacts.join(', ') : 'none, it has no neighbours'}. Then the inside, then the margin`
  return act('delivery.try-in', `Try in the ${what}, ${labels(c)}: contacts, seat, eight margin parts`, [2, 4, 8], {
    told: `tried the ${what} in`,
    fn: 'occlusal check',
    hurts: c.request.vital ? soreTooth(...teethOf(c)) : [],
    passes: ['piece in gauze', 'floss', 'contact film', 'explorer', ...(bitten ? ['paper'] : [])],
    needs: [
      open('floss', 300),
      open('contact film', 2),
      open('fit checker', 1),
      ...(bitten ? [open('articulating paper', 2)] : []),
      standby('shade guide', 'the shade is doubted'),
    ],
    hold: {
      name: 'fit',
      title: 'Fit',
      evidence: 'contacts, margin parts and seat',
      because: reason('what is cemented cannot be sent back', 'C'),
      again: ['delivery.try-in'],
    },
    cautions: [reason('Small pieces: gauze behind, patient upright enough to cough', 'C')],
    ...(bitten
      ? {
          bite: 'tried in' as const,
          detail: `${first}, then the bite.`,
          mistakes: ['bite ground before the contacts are right: it was not down'],
        }
      : {
          detail: `${first}. Never bitten on before it is bonded.`,
          mistakes: ['closed on it to see: ceramic that is not bonded cracks'],
        }),
    ...more,
  })
}

/** Bonded ceramic in the bite: after the last light, in every movement; what was eased is polished. */
export const bondedBite = (c: Case): Block =>
  checkBite('bonded piece', {
    id: 'delivery.bite',
    title: `Bite on ${labels(c)}: closed, forward, sideways`,
    minutes: [1, 2, 4],
    passes: ['paper', 'polisher'],
    needs: [open('ceramic polisher', 2)],
    mistakes: ['left rough where it was eased: it wears the tooth it meets'],
  })

/** A cemented piece was set in the bite before: one look that it came down as it was. */
export const cementedBite = (c: Case): Block =>
  act('delivery.bite', `Closes on ${labels(c)} as at the try-in`, [0.3, 0.5, 1], {
    fn: 'occlusal check',
    told: 'checked that the bite is as at the try-in',
    passes: ['paper'],
    needs: [open('articulating paper')],
    bite: 'tried in',
    mistakes: ['high now and not before: it is not down; tell the dentist before the cement is hard'],
  })

/** Shade approved on the tooth, wet, before anything is etched. */
export function shadeOnTooth(c: Case, more: Partial<Draft> = {}): Block {
  if (c.restoration === 'full metal crown') return nothing
  return act('delivery.shade', 'Shade on the tooth, wet, from two steps away; patient looks too', [1, 2, 4], {
    told: 'checked the shade on the tooth',
    asks: [{ reading: 'shade', teeth: teethOf(c) }],
    place: 'mouth',
    helped: false,
    needs: [open('hand mirror')],
    hold: {
      name: 'shade',
      title: 'Shade',
      evidence: 'piece on the wet tooth, patient content',
      because: reason('after bonding it stays', 'C'),
      mandatory: true,
    },
    ...more,
  })
}

export interface FinalCement {
  need: string
  words: string
  because: Reason
}
/** The cement named at preparation. */
export function finalCement(c: Case): FinalCement {
  switch (c.request.deliveryCement) {
    case 'resin':
      return { need: 'cement.resin', words: 'resin cement', because: practice('bonded, as planned at the preparation') }
    case 'resin-modified glass ionomer':
      return {
        need: 'cement.resin-modified glass ionomer',
        words: 'resin-modified glass ionomer',
        because: practice('retentive preparation: cemented'),
      }
    case 'conventional':
      return {
        need: 'cement.conventional',
        words: 'conventional cement',
        because: practice('retentive preparation: cemented'),
      }
  }
}

/** Seconds of each act with a luting cement; our estimates. */
const cementS = { mix: 25, load: 20, dry: 15, seat: 20 } as const

/** Cement by person: mixed and loaded at the bench while the tooth is dried once more, seated in its time. */
export const cementLanes = (c: Case, from: string): Choreography => ({
  title: 'Cement: mix, load, seat',
  from,
  acts: [
    { id: 'mix', say: 'Mix the cement', takesS: cementS.mix, by: 'assistant', fn: 'chairside' },
    {
      id: 'load',
      say: 'Thin along the inner edge, hand it',
      takesS: cementS.load,
      by: 'assistant',
      fn: 'chairside',
      after: ['mix'],
    },
    {
      id: 'dry',
      say: 'Tooth dried once more, rolls changed',
      takesS: cementS.dry,
      by: 'dentist',
      fn: 'chairside',
      notBeforeS: cementS.mix,
    },
    {
      id: 'seat',
      say: 'Seat, steady pressure',
      takesS: cementS.seat,
      by: 'dentist',
      fn: 'placing',
      after: ['load', 'dry'],
    },
  ],
  withinS: c.rule('cement.seat').value,
  because: c.rule('cement.seat').because,
  waysOut: 'a cement with a longer working time, or a second pair of hands at the bench',
})

/** Conventional cementing: dry, thin layer, seat, bite on a stick, set, clean. Set 4–5 min or the product's own. */
export function cementPiece(c: Case, what: string): Block {
  const cement = finalCement(c)
  const setS = c.practice.items.find((i) => i.serves.includes(cement.need))?.setS ?? c.rule('cement.sets').value
  return sequence(
    act('delivery.dry', `Isolate, dry ${labels(c)}; not bleached out`, [0.5, 1, 2], {
      needs: [open('cotton roll', 4)],
    }),
    act('delivery.mix', `Mix ${cement.words}, thin along the inner edge`, [0.5, 0.75, 1], {
      place: 'bench',
      helped: false,
      needs: [open(cement.need, c.units.length, { words: cement.words }), open('mixing pad'), open('mixing spatula')],
      reason: cement.because,
    }),
    act('delivery.seat', `Seat with steady pressure; stick or roll, hold`, [0.3, 0.5, 1], {
      lanes: cementLanes(c, 'delivery.mix'),
      told: `cemented the ${what} with ${cement.words}`,
      fn: 'bonding',
      passes: ['loaded piece', 'bite stick'],
      needs: [open('bite stick')],
      tell: `Your new ${what} is cemented. Nothing hard or sticky on it today. Floss and brush as usual. Call us if the bite feels high.`,
      ties: [
        {
          from: 'delivery.mix',
          fromEdge: 'start',
          toEdge: 'finish',
          ...within(c.rule('cement.seat'), c.rule('cement.seat.warns')),
          title: 'Cement mixed to seated',
          whenMissed: 'it has thickened: clean both and mix again',
          again: ['delivery.dry', 'delivery.mix', 'delivery.seat'],
        },
      ],
      cautions: [reason('A loose crown can be swallowed: gauze behind it, patient upright enough to cough', 'C')],
      mistakes: ['pressure let go while it sets: the crown rises'],
    }),
    act('delivery.excess', 'Excess off, knotted floss out sideways', [1, 2, 4], {
      told: 'removed the excess cement',
      fn: 'excess removal',
      passes: ['scaler', 'knotted floss'],
      needs: [open('scaler'), open('floss', 600), ...(c.pontics.length > 0 ? [open('floss threader')] : [])],
      ties: [
        {
          from: 'delivery.seat',
          fromEdge: 'finish',
          atLeastS: setS,
          title: 'Cement sets',
          because: reason(`${setS} s; 4–5 min, or the product’s own`, 'C'),
        },
      ],
      mistakes: ['cement left in the sulcus: sore gum within days'],
    }),
  )
}
