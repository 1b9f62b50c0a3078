import { reason } from '../figure'
import { alginate, hydrocolloidSchool, trayMaterial } from '../measure/amounts'
import { absent, only, open, practice, sequence, step, type Block, type Draft, within } from '../library/build'
import { customTray } from './impression-material'
import { teethOf, type Case } from '../library/case'

/** Shade, before the teeth dry out; the dentist approves it. A metal crown has none. */
export function shadePreview(c: Case, more: Partial<Draft> = {}): Block {
  if (c.restoration === 'full metal crown') return absent('shade', reason('a full metal crown has no shade', 'C'))
  return step({
    id: 'records.shade',
    phase: 'records',
    title: 'Shade, teeth still wet',
    told: 'took the shade on wet teeth',
    asks: [{ reading: 'shade', teeth: teethOf(c) }],
    detail: 'Neck, body and edge; lip and neighbours in the photograph; light and time noted.',
    fn: 'shade preview',
    place: 'mouth',
    minutes: [1, 2, 4],
    needs: [open('shade guide'), open('camera')],
    hold: {
      name: 'shade',
      title: 'Shade',
      evidence: 'tab beside the tooth in daylight-coloured light',
      because: reason('dry teeth look lighter: the shade is agreed before isolation', 'C'),
      mandatory: true,
    },
    mistakes: ['taken when the teeth have dried out: they read too light'],
    ...more,
  })
}

export const otherJaw = (c: Case): 'upper' | 'lower' => (c.jaw === 'upper' ? 'lower' : 'upper')

/** The mould the provisional is made in, taken before cutting: a preliminary impression, or a putty index. */
export function provisionalMould(c: Case): Block {
  if (c.choices.provisional === 'bis-acryl in wax-up matrix') {
    return step({
      id: 'records.try-matrix',
      phase: 'records',
      title: 'Try the wax-up matrix in: does it sit, from both sides',
      told: 'tried the wax-up matrix in',
      fn: 'preliminary impression',
      place: 'mouth',
      minutes: [0.5, 1, 2],
      needs: [open('wax-up matrix')],
      mistakes: ['pressed with the fingers: it bends, and the provisional comes out thick at the edge'],
      reason: practice('the laboratory’s wax-up shows the planned shape; nothing has to be taken at the chair'),
    })
  }
  if (c.choices.provisional === 'bis-acryl in putty index') {
    return step({
      id: 'records.putty-index',
      phase: 'records',
      title: 'Putty index over tooth and neighbours',
      told: 'made a putty index',
      detail:
        'Cut through the middle of each neighbour, trim the gum part, sit it back empty and look from both sides.',
      fn: 'preliminary impression',
      place: 'mouth',
      minutes: [3, 5, 7],
      needs: [open('putty', 10), open('scalpel')],
      cautions: [
        reason('Latex gloves stop putty from setting: knead it with latex-free gloves or bare clean hands', 'C'),
      ],
      mistakes: ['gum part left long: the index rocks and the provisional comes out thick at the margin'],
      reason: reason('it stays whole: cut at the middles of its neighbours it finds its own seat', 'C'),
    })
  }
  if (c.before.mould)
    return absent(
      'a second preliminary impression',
      practice('the first takes in this side of the jaw: both provisionals are made in it'),
    )
  return step({
    id: 'records.preliminary',
    phase: 'records',
    title: 'Preliminary impression for the provisional',
    told: 'took the preliminary impression for the provisional',
    detail: `A missing wall is built up with a little flowable first.${c.pontics.length > 0 ? ' A denture tooth or wax stands in the gap.' : ''}`,
    fn: 'preliminary impression',
    place: 'mouth',
    minutes: [2, 3, 5],
    needs: [
      ...(c.request.missingWall ? [open('flowable resin')] : []),
      open('sectional tray'),
      open('preliminary silicone', trayMaterial('sectional', c.rule).value),
      open('dispensing gun'),
    ],
    figures: [trayMaterial('sectional', c.rule)],
    mistakes: ['not checked against the tooth before cutting: a bubble on the cusp becomes a high spot'],
  })
}

/** The opposing arch, where neither a dual-arch tray nor the scan gives it. */
export function opposingArch(c: Case): Block {
  if (c.choices.impression === 'addition silicone, dual-arch')
    return absent('opposing impression', reason('the dual-arch tray takes both jaws at once', 'C'))
  if (c.choices.impression === 'optical scan') {
    return step({
      id: 'records.scan-opposing',
      imprints: otherJaw(c),
      phase: 'records',
      title: `Scan the opposing ${otherJaw(c)} arch`,
      told: `scanned the opposing ${otherJaw(c)} arch`,
      fn: 'scan',
      place: 'mouth',
      minutes: [1, 1.5, 3],
      needs: [open('scanner'), open('scanner tip')],
    })
  }
  const amount = alginate(otherJaw(c))
  return sequence(
    step({
      id: 'records.opposing',
      imprints: otherJaw(c),
      asks: [{ reading: 'alginate', teeth: teethOf(c) }],
      phase: 'records',
      title: `Opposing impression, ${otherJaw(c)} arch`,
      told: `took the opposing impression of the ${otherJaw(c)} arch in alginate`,
      detail: `${amount.powder.value} g powder, ${amount.water.value} mL water.`,
      fn: 'preliminary impression',
      place: 'mouth',
      minutes: [3, 4, 6],
      needs: [
        open(`full tray.${otherJaw(c)}`),
        open('alginate', amount.powder.value),
        open('mixing bowl'),
        open('mixing spatula'),
      ],
      figures: [amount.powder, amount.water],
    }),
    step({
      id: 'records.keep-damp',
      phase: 'records',
      title: 'Disinfect the opposing impression; pour it or keep it damp',
      fn: 'chairside',
      place: 'bench',
      minutes: [0.5, 1, 2],
      needs: [open('disinfectant spray'), open('impression bag')],
      ties: [
        {
          from: 'records.opposing',
          fromEdge: 'finish',
          ...within(c.rule('alginate.pour'), c.rule('alginate.warns')),
          title: 'Alginate shrinks',
          whenMissed: 'take the opposing impression again, or tell the laboratory it lay dry',
          again: ['records.opposing', 'records.keep-damp'],
        },
      ],
    }),
  )
}

const usesCustomTray = (c: Case): boolean =>
  c.choices.impression === 'polyether, custom tray' ||
  (c.choices.impression === 'reversible hydrocolloid' &&
    hydrocolloidSchool(c.units.length, c.pontics.length).polyether > 0)

/** Adhesive on a custom tray: painted early, because it wants a quarter of an hour. The baths are switched on as early. */
export function paintTray(c: Case): Block {
  return sequence(
    only(c.choices.impression === 'reversible hydrocolloid', () =>
      step({
        id: 'impression.baths',
        phase: 'records',
        title: 'Baths on: boiling, storage, tempering; tray tried, stops set',
        fn: 'chairside',
        place: 'bench',
        minutes: [1, 2, 4],
        needs: [open('conditioning bath')],
        mistakes: ['storage bath too cold: the material is half set in the syringe'],
      }),
    ),
    only(usesCustomTray(c), () =>
      step({
        id: 'impression.paint-tray',
        phase: 'records',
        title: 'Paint tray adhesive, thin, over the edge',
        fn: 'chairside',
        place: 'bench',
        minutes: [0.5, 1, 2],
        needs: [
          open(`custom tray.${c.jaw}`, 1, {
            piece: customTray(),
            words: `custom tray, ${c.jaw}`,
            orElse: [{ what: `full tray.${c.jaw}`, loss: 'uneven thickness: more shrinkage, more material' }],
          }),
          open('tray adhesive.polyether', 1),
        ],
      }),
    ),
  )
}
