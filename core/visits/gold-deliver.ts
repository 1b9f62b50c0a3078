/** J10: gold inlay cemented and gold foil placed under one sheet, finished in the same sitting. */
import { span } from '../rules'
import { goldWork } from '../phases/gold-work'
import type { Need } from '../catalog/match'
import { reason, type Figure } from '../figure'
import { goldFor } from '../measure/volumes'
import type { Choreography } from '../model/lanes'
import { acts, only, open, practice, sequence, standby, type Block } from '../library/build'
import { labels, type Case, type Unit } from '../library/case'
import { cutSteps } from '../phases/cutting'
import { cementPiece, provisionalOff, tryIn } from '../phases/delivery'
import { biteUntilEven } from '../phases/filling'
import { sheetOff, sheetOn, clamp } from '../phases/isolation'
import type { VisitKind } from './kind'

const mouth = acts({ phase: 'restoring', fn: 'placing', place: 'mouth', helped: true })
const sheet = acts({ phase: 'isolation', fn: 'dam', place: 'mouth', helped: true })
const finishing = acts({ phase: 'finishing', fn: 'polishing', place: 'mouth', helped: true })

/** The case with only these teeth. */
const onlyUnits = (c: Case, units: Unit[]): Case => ({ ...c, units })

/** The sheet made tight to the last drop: second clamp, light-cured seal. */
function sealedSheet(c: Case): Block {
  return sequence(
    sheetOn(c, { purpose: 'foil' }),
    only(c.choices.bondingIsolation === 'dam', () =>
      sequence(
        sheet('isolation.second-clamp', 'Second clamp or floss tie at the front end', [0.5, 1, 2], {
          needs: [
            clamp('premolar', {
              words: 'premolar clamp',
              orElse: [{ what: 'clamp.cervical', loss: 'bulky at the front end' }],
            }),
          ],
          passes: ['clamp in forceps, floss tied on'],
        }),
        sheet('isolation.seal', 'Light-cured seal along the gum, cured: not a drop comes through', [0.5, 1, 2], {
          needs: [open('block-out resin'), open('curing light'), open('light shield')],
          reason: practice('gold wants it dry to the last drop: wet foil does not weld'),
        }),
      ),
    ),
    only(!c.has('chlorhexidine'), () =>
      sheet('isolation.scrub', 'Chlorhexidine scrub of the field', [0.3, 0.5, 1], {
        act: 'scrub',
        fn: 'chairside',
        needs: [open('chlorhexidine', 5), open('cotton pellet', 4)],
      }),
    ),
    only(c.has('chlorhexidine'), () =>
      sheet('isolation.scrub', 'Field scrubbed with alcohol: chlorhexidine alert', [0.3, 0.5, 1], {
        act: 'scrub',
        fn: 'chairside',
        needs: [open('alcohol'), open('cotton pellet', 4)],
        reason: practice('chlorhexidine alert: that antiseptic leaves the plan'),
      }),
    ),
  )
}

/** What wipes a cavity clean before something is put into it for good. */
const antiseptic = (c: Case): { word: string; need: Need } =>
  c.has('chlorhexidine')
    ? { word: 'alcohol', need: open('alcohol') }
    : { word: 'chlorhexidine', need: open('chlorhexidine', 2) }

function inlay(c: Case, units: Unit[]): Block {
  const clean = antiseptic(c)
  const own = onlyUnits(c, units)
  return sequence(
    provisionalOff(own, 'flick'),
    tryIn(own, 'gold inlay', {
      hurts: [],
      title: `Try in the gold inlay, ${labels(own)}: margins unfinished on purpose`,
      mistakes: ['margins polished before cementing: nothing left to burnish'],
    }),
    mouth('delivery.antiseptic', `Cavity wiped with ${clean.word}, left to dry: ${labels(own)}`, [0.3, 0.5, 1], {
      fn: 'chairside',
      passes: ['pellet, wet'],
      needs: [clean.need, open('cotton pellet', 2)],
      told: `cleaned the cavity with ${clean.word}`,
    }),
    cementPiece(own, 'gold inlay'),
  )
}

/** A pit for foil: 2.5 mm across at its mouth, as deep as the case says, else 2 mm; a block that holds it. Our estimate. */
function pitVolume(u: Unit): Figure {
  const [acrossMm, deepMm] = [2.5, u.facts.depthMm ?? 2]
  const value = Math.round(acrossMm * acrossMm * deepMm * 10) / 10
  return {
    name: 'pit, about',
    value,
    unit: 'mm³',
    text: `${acrossMm} × ${acrossMm} × ${deepMm} mm = ${value} mm³`,
    standing: 'estimate',
  }
}

/** Seconds in the flame; our estimate: smoke gone and dull red tell better. */
const pellets = {
  powdered: { flameS: 10, tells: 'no more smoke: the wax is gone' },
  cohesive: { flameS: 2, tells: 'dull red' },
} as const

/** Seconds of a hand-over and of condensing one pellet; our estimates, the dentist's hand sets the pace. */
const foilS = { handOver: 4, condense: { powdered: 40, cohesive: 50 } } as const

/** One pellet by person, again and again: flame, hand over, then condenser and mallet together. */
function foilLanes(kind: keyof typeof pellets, n: number, likelyMin: number): Choreography {
  const { flameS, tells } = pellets[kind]
  const what = kind === 'powdered' ? 'Pellet' : 'Foil'
  return {
    title: `${what} ${n === 1 ? 'once' : `by ${what.toLowerCase()}`}: flame, condenser, mallet`,
    acts: [
      { id: 'flame', say: `${what} into the flame`, takesS: flameS, by: 'assistant', fn: 'chairside' },
      {
        id: 'hand',
        say: `Out of the flame (${tells}): hand it over`,
        takesS: foilS.handOver,
        by: 'assistant',
        fn: 'chairside',
        after: ['flame'],
      },
      {
        id: 'condense',
        say: 'Condense, overlapping steps',
        takesS: foilS.condense[kind],
        by: 'dentist',
        fn: 'placing',
        after: ['hand'],
      },
      {
        id: 'mallet',
        say: 'Tap in step',
        takesS: foilS.condense[kind],
        by: 'assistant',
        fn: 'chairside',
        with: 'condense',
      },
    ],
    everyS: Math.floor((likelyMin * 60) / n),
    times: n,
    because: reason(`${n} over about ${likelyMin} min; ${tells} tells better than the clock`, 'estimate'),
    waysOut: 'a third pair of hands at the flame, or a mallet that taps by itself',
  }
}

/** Annealed, handed, placed, malleted: powdered gold to two thirds, cohesive foil for the rest. Foil filling 20 · 30 · 40 minutes. */
function foil(c: Case, u: Unit): Block {
  const id = (act: string): string => `foil.${u.tooth}.${act}`
  const at = { tooth: u.tooth }
  const placed = c.rule('gold.placed')
  const pit = pitVolume(u)
  const gold = goldFor(pit.value)
  const flame = reason('Open flame: away from oxygen, hair and rubber; the lid at hand to put it out', 'C')
  return sequence(
    cutSteps(
      onlyUnits(c, [u]),
      () => [
        { act: 'pit', title: 'Pit opened', form: 'pit', depthMm: 1.5, surface: 'pit', share: 2 },
        {
          act: 'undercut',
          title: 'Small inverted cone: flat floor, opposed undercuts',
          form: 'undercut',
          depthMm: 0.6,
          surface: 'floor',
          share: 2,
          told: `prepared the pit of ${u.label} for foil`,
        },
      ],
      [3, 5, 10],
    ),
    mouth(id('dry'), `Pit wiped with ${antiseptic(c).word}, dry; base where deep`, [0.5, 1, 2], {
      ...at,
      passes: ['pellet, wet', 'air'],
      needs: [antiseptic(c).need, open('cotton pellet', 2), standby('base cement', 'the pit is deep')],
    }),
    mouth(id('light'), 'Alcohol lamp lit; pellets laid out in order of size', [0.3, 0.5, 1], {
      ...at,
      place: 'bench',
      fn: 'chairside',
      helped: false,
      needs: [
        open('alcohol lamp'),
        open('annealing tray'),
        open('gold foil.powdered', gold.powdered),
        open('gold foil.cohesive', gold.foil),
        open('foil carrier'),
      ],
      figures: [pit, gold.figure],
      cautions: [flame],
    }),
    mouth(
      id('powdered'),
      'Powdered gold, pellet by pellet, to two thirds: longer in the flame, the wax burns off',
      [3, 5, 8],
      {
        ...at,
        lanes: foilLanes('powdered', gold.powdered, 5),
        told: `placed powdered gold in ${u.label} to two thirds`,
        passes: ['pellet, flamed, on the carrier', 'condenser', 'mallet in step with the dentist'],
        needs: [open('foil condenser', 2), open('gold mallet')],
        detail: 'The assistant holds it in the flame, hands it over and taps in step with the dentist.',
        mistakes: ['wax not burnt off: the pellet does not weld', 'overheated: it melts into a ball'],
        reason: practice('two thirds powdered gold: quick bulk'),
      },
    ),
    mouth(id('cohesive'), 'Cohesive foil for the rest, saucer-shaped, walls first', [11, 17, 24], {
      cues: [
        {
          from: id('powdered'),
          fromEdge: 'start',
          atS: placed.value,
          say: `${span(placed.value)} of foil: what holds it up?`,
          because: placed.because,
        },
      ],
      ...at,
      lanes: foilLanes('cohesive', gold.foil, 17),
      told: `built ${u.label} up in cohesive foil`,
      passes: ['foil, flamed, on the carrier', 'condenser', 'mallet in step with the dentist'],
      mistakes: ['steel on the enamel edge: it chips'],
    }),
    mouth(id('burnish'), 'Burnish from gold to tooth', [1, 2, 3], {
      ...at,
      needs: [open('burnisher.ball'), open('burnisher.flat')],
      told: `burnished the foil of ${u.label}`,
    }),
    mouth(
      id('trim'),
      'Excess off with the sharp spoon, discoid carver and knife, gold and enamel together',
      [1.5, 2.5, 4],
      {
        ...at,
        needs: [open('spoon excavator'), open('amalgam carver'), open('gold knife')],
        passes: ['spoon excavator', 'discoid carver', 'gold knife'],
        detail: 'Never rotary: heat and drag lift what is not yet finished.',
        mistakes: ['pulled from tooth toward gold: the edge opens'],
      },
    ),
  )
}

function gloss(c: Case): Block {
  return sequence(
    finishing('finishing.discs', `Discs, then rubber abrasives, from gold toward tooth: ${labels(c)}`, [2, 3, 5], {
      needs: [open('finishing disc', 4), open('rubber cup'), open('slow handpiece')],
      passes: ['disc', 'rubber cup', 'water'],
      detail: 'Much water, light strokes.',
    }),
    finishing('finishing.pumice', 'Pumice, wet', [1, 1.5, 3], { needs: [open('pumice'), open('prophy cup')] }),
    finishing('finishing.fifteen', '15 µm powder: dry, suction, blow', [1, 1.5, 3], {
      needs: [open('polishing powder.15'), open('prophy cup')],
      passes: ['cup', 'suction', 'air'],
      cautions: [reason('Dry powder: suction at the cup, masks, eyes shielded', 'C')],
      mistakes: ['run dry and long: heat goes into the pulp'],
    }),
    finishing('finishing.one', '1 µm powder: dry, suction, blow', [1, 1.5, 3], {
      needs: [open('polishing powder.1'), open('prophy cup')],
      passes: ['cup', 'suction', 'air'],
      told: 'polished the gold with 15 and 1 µm powder',
    }),
  )
}

export const goldDeliver: VisitKind = {
  id: 'gold.deliver',
  work: (c) => {
    const { foil: foils, inlays } = goldWork(c)
    return sequence(
      sealedSheet(c),
      only(inlays.length > 0, () => inlay(c, inlays)),
      ...foils.map((u) => foil(c, u)),
      sheetOff(c),
    )
  },
  afterSheet: (c) =>
    sequence(
      ...c.units.map((u) =>
        biteUntilEven(u, 'filling', {
          passes: ['paper'],
          told: `checked and adjusted the bite on ${u.label}`,
        }),
      ),
      gloss(c),
    ),
  followUps: () => [],
}
