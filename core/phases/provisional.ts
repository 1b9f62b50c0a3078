/** A provisional made from bis-acryl in a mould: separated, mixed, seated, lifted, trimmed, polished. */
import type { Choreography, LaneAct } from '../model/lanes'
import { reason, type Figure } from '../figure'
import { bisAcryl } from '../measure/amounts'
import { thinnest } from '../measure/provisional'
import { reductionTargets } from '../measure/reduction'
import {
  acts,
  atLeast,
  open,
  sequence,
  standby,
  step,
  within,
  type Block,
  type Draft,
  type Tie,
} from '../library/build'
import { inWords, span } from '../rules'
import type { Case } from '../library/case'

/** What making the provisional over takes, up to the bench. */
export const mouldSteps = ['provisional.separate', 'provisional.mix', 'provisional.seat', 'provisional.lift']

const moulds = {
  'bis-acryl in putty index': 'index',
  'bis-acryl in preliminary impression': 'preliminary impression',
  'bis-acryl in wax-up matrix': 'wax-up matrix',
} as const
export const mouldOf = (c: Case): string => moulds[c.choices.provisional]

/** Bis-acryl for the visit's units: prepared teeth by their reduction, pontics whole. */
function bisAcrylAmount(c: Case): Figure {
  const t = c.restoration ? reductionTargets(c.restoration) : undefined
  const own = c.practice.items.find((i) => i.serves.includes('bis-acryl'))?.perUnit
  return bisAcryl(
    [
      ...c.units.map((u) => ({
        size: u.size,
        axialMm: t?.inner.mostMm ?? 1,
        occlusalMm: t?.functionalCusp.mostMm ?? 1.5,
      })),
      ...c.pontics.map((u) => ({ size: u.size, axialMm: u.size.mesiodistalMm / 2, occlusalMm: u.size.crownLengthMm })),
    ],
    own,
    c.rule,
  )
}

/** Seconds from one lift to the next while it is rubbery. Our estimate: several lifts before it is hard. */
const liftEveryS = 20

/** Separator before any resin; where the dentine was sealed with resin the dentist sees that it is on. */
function separate(c: Case, sealed: boolean): Block {
  const sealedHold: Pick<Draft, 'hold'> = sealed
    ? {
        hold: {
          name: 'separator',
          title: 'Separator on',
          evidence: 'a film on every sealed surface, seen in good light',
          because: reason('resin-sealed dentine bonds to the provisional for good', 'C'),
          mandatory: true,
        },
      }
    : {}
  const pontic =
    c.pontics.length > 0
      ? ` The mould is cut away for ${c.pontics.map((u) => u.label).join(', ')}: is there room for what is planned there?`
      : ''
  return step({
    id: 'provisional.separate',
    phase: 'provisional',
    title: 'Separator thin on tooth, neighbours and gum; none in the mould',
    fn: 'provisional making',
    place: 'mouth',
    minutes: [0.3, 0.5, 1],
    leaves: 'separator',
    needs: [open('separator', 0.5), open('micro brush', 2)],
    cautions: [
      reason('Resin-sealed dentine or a fresh resin core without separator bonds to the provisional for good', 'C'),
    ],
    ...sealedHold,
    ...(pontic ? { detail: pontic.trim() } : {}),
  })
}

/** Seconds of the acts on the rubbery clock; our estimates. */
const rubberyS = { mix: 20, seat: 12, lift: 4 } as const

/** Mixed, seated, felt, lifted and seated again until it slides, out: by whoever makes it; the other cools it. */
function rubberyLanes(c: Case): Choreography {
  const [rubbery, out] = [c.rule('bis-acryl.rubbery').value, c.rule('bis-acryl.out').value]
  const lifts = Array.from(
    { length: Math.max(0, Math.ceil((out - rubbery) / liftEveryS) - 1) },
    (_, i) => rubbery + (i + 1) * liftEveryS,
  )
  const fn = 'provisional making'
  return {
    title: 'Rubbery provisional',
    from: 'provisional.mix',
    acts: [
      { id: 'mix', say: 'Mix into the mould', takesS: rubberyS.mix, by: 'either', fn },
      { id: 'seat', say: 'Seat the mould', takesS: rubberyS.seat, by: 'either', fn, after: ['mix'] },
      {
        id: 'first',
        say: 'Rubbery? First lift',
        takesS: rubberyS.lift,
        by: 'either',
        fn,
        after: ['seat'],
        notBeforeS: rubbery,
      },
      ...lifts.map((atS, i): LaneAct => ({
        id: `lift-${i + 2}`,
        say: 'Lift, and seat it again',
        takesS: rubberyS.lift,
        by: 'either',
        fn,
        after: ['first'],
        notBeforeS: atS,
      })),
      { id: 'out', say: 'Out now', takesS: rubberyS.lift, by: 'either', fn, after: ['first'], notBeforeS: out },
    ],
    because: inWords(
      `first lift between ${rubbery} and ${span(out)} from the mix, by product and warmth; the bead tells better`,
      c.rule('bis-acryl.rubbery'),
      c.rule('bis-acryl.out'),
    ),
    waysOut: 'somebody who may make provisionals',
  }
}

/** The first lift, timed from the mix, and every lift after it. */
function firstLift(c: Case): Block {
  const [rubbery, out] = [c.rule('bis-acryl.rubbery'), c.rule('bis-acryl.out')]
  return step({
    id: 'provisional.lift',
    phase: 'provisional',
    title: 'Rubbery: first lift, then lift and reseat until it slides',
    ...(c.choices.matrixLift === 'comes in the matrix'
      ? { detail: 'It comes in the matrix, all in one; thin edges are not bent back by hand.' }
      : {
          detail:
            'Spring the matrix open first, so that the provisional stays on the tooth; then a cotton roll and haemostat, rocking cheek to tongue, never a yank.',
        }),
    fn: 'provisional making',
    place: 'mouth',
    minutes: [0.5, 1, 1.5],
    needs: c.choices.matrixLift === 'comes in the matrix' ? [] : [open('haemostat')],
    ties: [
      {
        from: 'provisional.mix',
        fromEdge: 'start',
        toEdge: 'start',
        ...within(out, c.rule('bis-acryl.rubbery.warns')),
        atLeastS: rubbery.value,
        title: 'Rubbery stage',
        because: inWords(
          `first lift between ${rubbery.value} and ${span(out.value)} from the mix, by product and warmth; the bead tells better than the clock`,
          rubbery,
          out,
        ),
        whenMissed: 'it may be locked on: cut it off, do not pull; then make another',
        again: mouldSteps,
      },
    ],
    lanes: rubberyLanes(c),
    mistakes: ['left until hard: it locks into the undercuts'],
  })
}

/** Separator, mix, seat, first lift: the part that happens in the mouth while the cord dwells. */
export function makeProvisional(c: Case, { sealed = false }: { sealed?: boolean } = {}): Block {
  const amount = bisAcrylAmount(c)
  const mould = mouldOf(c)
  return sequence(
    separate(c, sealed),
    step({
      id: 'provisional.mix',
      phase: 'provisional',
      title: `Mix ${amount.value} mL into the ${mould}, tip in the material`,
      fn: 'provisional making',
      place: 'bench',
      minutes: [0.25, 0.35, 0.5],
      needs: [open('bis-acryl', amount.value), open('mixing tip'), open('dispensing gun')],
      figures: [amount],
    }),
    step({
      id: 'provisional.seat',
      phase: 'provisional',
      title: 'Seat the mould; keep a bead to feel',
      leaves: 'resin',
      told: `seated the ${mould} with bis-acryl for the provisional`,
      fn: 'provisional making',
      place: 'mouth',
      minutes: [0.1, 0.2, 0.3],
      ties: [
        {
          from: 'provisional.mix',
          fromEdge: 'start',
          toEdge: 'finish',
          ...within(c.rule('bis-acryl.seat'), c.rule('bis-acryl.seat.warns')),
          title: 'Bis-acryl to be seated',
          whenMissed: 'it drags and comes out thick: clean the mould and mix again',
          again: mouldSteps,
        },
      ],
    }),
    firstLift(c),
  )
}

/** Gauge, contacts, margin: the bench work on any bis-acryl provisional. */
export const hardens = (c: Case): Tie => ({
  from: 'provisional.mix',
  fromEdge: 'start',
  toEdge: 'start',
  ...atLeast(c.rule('bis-acryl.hard')),
  title: 'Bis-acryl hardens',
})

/** The smooth surface, by the school picked. */
export function polishProvisional(c: Case): Block {
  const act = acts({ phase: 'provisional', fn: 'provisional making', place: 'bench' })
  switch (c.choices.smooth) {
    case 'brush and felt':
      return act(
        'provisional.polish',
        'Brush, about 5,000 rpm; then felt with a touch of polish, 3,000–8,000',
        [1, 2, 4],
        {
          needs: [open('polishing brush')],
          mistakes: ['black marks: the brush runs too fast'],
        },
      )
    case 'discs and points':
      return act('provisional.polish', 'Discs and rubber points, coarse to fine, away from the margin', [2, 3, 5], {
        needs: [open('finishing disc', 3), open('rubber point')],
        mistakes: ['a coarse disc near the margin: it is short before one sees it'],
      })
    case 'resin coat':
      return act('provisional.polish', 'Thin coat of bonding resin, cured', [1, 1.5, 3], {
        needs: [open('bonding resin', 0.1), open('micro brush'), open('curing light')],
        cautions: [reason('Shield for the curing light, for all three', 'C')],
      })
  }
}

/** Trimmed and polished at the bench, beside whatever the mouth is waiting for. */
export function trimProvisional(c: Case): Block {
  return sequence(
    step({
      id: 'provisional.trim',
      phase: 'provisional',
      title: 'Pencil contacts and margin, trim, gauge the thickness',
      told: 'trimmed the provisional and gauged its thickness',
      detail: 'Never lose the pencil on a contact. Nothing coarse near a margin.',
      fn: 'provisional making',
      place: 'bench',
      minutes: [2, 4, 8],
      needs: [
        open('straight handpiece'),
        open('trimming disc', 2),
        open('pencil'),
        open('thickness gauge'),
        standby('flowable resin', 'there is a void or a short margin'),
      ],
      ties: [hardens(c)],
      figures: [thinnest],
    }),
    polishProvisional(c),
  )
}
