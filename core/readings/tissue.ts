/** Cord as it goes in and as it comes out. */
import { rulesOf } from '../rules'
import { cordLength, cordSize, cordSizes, smallerCord } from '../measure/cord'
import { sure } from '../sure'
import { judged, readingOf, must, num, oneOf, yes } from './reading'

export const cord = readingOf('cord', {
  name: 'Cord',
  fields: {
    size: must(oneOf('size held', cordSizes)),
    tissue: must(oneOf('the tissue is', ['pink', 'white'])),
    margin: oneOf('margin in sight all round', ['yes', 'not everywhere']),
    probingDepthMm: num('probing depth', 'mm', 0.5, 8, [1, 2, 3]),
    biotype: oneOf('tissue', ['thin', 'thick']),
    crevice: oneOf('crevice', ['narrow', 'normal', 'wide']),
    perimeterMm: num('perimeter, where it was measured', 'mm', 5, 60),
  },
  starts: (at) => ({
    ...(at.ask.size ? { size: at.ask.size } : {}),
    probingDepthMm: at.plan.request.tissue.probingDepthMm,
    biotype: at.plan.request.tissue.biotype,
    crevice: at.plan.request.tissue.crevice,
  }),
  judge: (given, at) => {
    const { layer, along } = at.ask
    // One rule of length: the plan's own, unless the perimeter was measured anew here.
    const length =
      along === 'box' || given.perimeterMm === undefined
        ? at.step.figures
        : [cordLength({ measuredPerimeterMm: given.perimeterMm }, along, layer, rulesOf(at.plan.rules))]
    const cut = length[0] ? `${Math.ceil(length[0].value)} mm` : ''
    if (given.tissue === 'white') {
      const finer = smallerCord(given.size)
      return judged(
        'correct',
        [
          finer
            ? `white tissue: one size smaller, ${finer}, ${cut}; the ${given.size} comes out wet, and is counted`
            : 'white tissue under 000: there is no smaller cord; paste or a pellet, by the dentist’s word',
        ],
        { figures: length },
      )
    }
    const start = cordSize(
      layer,
      {
        probingDepthMm: given.probingDepthMm ?? 2,
        biotype: given.biotype ?? 'thick',
        crevice: given.crevice ?? 'normal',
      },
      sure(at.ask.teeth[0]),
    )
    const says = [`${given.size} entered without blanching, ${cut}`]
    if (start.size !== given.size)
      says.push(
        `by the tissue as read one would begin with ${start.size} (${start.because.text}); what sits pink stays`,
      )
    if (given.margin === 'not everywhere')
      return judged('correct', [...says, 'margin not in sight everywhere: a second short piece only there'], {
        figures: length,
      })
    return judged(
      'good',
      [
        ...says,
        at.plan.choices.cordAgent.value === 'plain'
          ? 'plain cord: nothing to rinse off'
          : `${at.plan.choices.cordAgent.value}: rinsed off before the impression`,
      ],
      { figures: length },
    )
  },
})

export const cordOut = readingOf('cord out', {
  name: 'Cord removed',
  fields: {
    wet: must(yes('drawn wet')),
    whole: must(yes('came out whole, in one pull')),
    base: oneOf('the base cord', ['lies below the margin', 'shows', 'none']),
    tissue: must(oneOf('the tissue', ['dry', 'weeps', 'bleeds'])),
  },
  judge: (given) => {
    const says = [
      ...(given.whole
        ? []
        : ['not whole: the rest is looked for in the crevice before anything else; its count stays open']),
      ...(given.base === 'shows' ? ['base cord shows: press it back below the margin'] : []),
      ...(given.tissue === 'bleeds'
        ? ['bleeds: pressed with a soaked pellet, counted; no material before it is still; the dentist decides']
        : given.tissue === 'weeps'
          ? ['weeps: astringent paste or a pellet, rinsed off, dried, looked at again']
          : []),
      ...(given.wet ? [] : ['drawn dry: it takes the lining with it; look for bleeding']),
    ]
    const verdict = !given.whole
      ? 'again'
      : given.base === 'shows' || given.tissue !== 'dry'
        ? 'correct'
        : says.length > 0
          ? 'tell'
          : 'good'
    return judged(verdict, says.length > 0 ? says : ['whole, wet, in one pull; crevice open and dry'])
  },
})
