/** Post space and ferrule. */
import { sure } from '../sure'
import { halfCanBeHad, postSpace } from '../measure/restoring'
import { factsOf } from '../model/request'
import { isIsoSize, pointsFor } from '../measure/canals'
import { rulesOf } from '../rules'
import { judged, readingOf, must, num, oneOf, text } from './reading'

export const postDepth = readingOf('post space', {
  name: 'Post space',
  fields: {
    canalMm: must(num('canal length', 'mm', 8, 32)),
    sealMm: must(num('root filling to stay', 'mm', 3, 7, [4, 5])),
    drilledMm: num('drilled to', 'mm', 0, 25),
  },
  starts: ({ plan, tooth }) => {
    const canalMm = factsOf(plan.request, tooth).canals?.[0]?.lengthMm
    return { ...(canalMm === undefined ? {} : { canalMm }), sealMm: plan.request.sealMm }
  },
  judge: ({ canalMm, sealMm, drilledMm }) => {
    if (canalMm <= sealMm)
      return { wrong: `a canal of ${canalMm} mm leaves no room for a post over ${sealMm} mm of seal` }
    const room = postSpace(canalMm, sealMm)
    const short = !halfCanBeHad(canalMm, sealMm)
    const says = [
      `post space ${room.leastMm}–${room.mostMm} mm${room.because ? `: ${room.because.text}` : ''}`,
      ...(short ? [`half of the canal cannot be had over this seal: the dentist decides`] : []),
    ]
    const fine = short ? 'tell' : 'good'
    if (drilledMm === undefined) return judged(fine, says, { figures: [room.figure] })
    const left = Math.round((canalMm - drilledMm) * 10) / 10
    if (left < sealMm)
      return judged(
        'tell',
        [...says, `drilled to ${drilledMm} mm: only ${left} mm of root filling left of ${sealMm}; tell the dentist`],
        { figures: [room.figure] },
      )
    if (drilledMm < room.leastMm)
      return judged(
        'tell',
        [
          ...says,
          `drilled to ${drilledMm} mm: ${Math.round((room.leastMm - drilledMm) * 10) / 10} mm less than half the canal; the dentist decides`,
        ],
        { figures: [room.figure] },
      )
    return judged(fine, [...says, `drilled to ${drilledMm} mm, ${left} mm of root filling left`], {
      figures: [room.figure],
    })
  },
})

/** Further from what was recorded than a reference point explains, mm. Our estimate. */
const lengthOffMm = 2

/** A line of the canal table: length, files, patency, what it was washed with. What is filled stays. */
export const canal = readingOf('canal', {
  name: 'Canal',
  rests: true,
  fields: {
    lengthMm: must(num('working length', 'mm', 8, 32)),
    reference: text('from', 24),
    patency: must(oneOf('to the end', ['patent', 'not patent'])),
    glideSize: num('glide path to', 'ISO', 6, 25, [10, 15]),
    masterSize: must(num('master file', 'ISO', 15, 140, [25, 30, 40])),
    taperPercent: must(num('its taper', '%', 2, 10, [2, 4, 6])),
    boundSize: num('went slow and bound at', 'ISO', 6, 140),
    irrigantPercent: must(num('hypochlorite', '%', 0.5, 6, [1, 3, 5.25])),
    agitatedS: must(num('agitated', 's', 0, 120, [15, 20])),
  },
  starts: ({ ask }) => (ask.lengthMm === undefined ? {} : { lengthMm: ask.lengthMm }),
  judge: (given, { ask, plan }) => {
    const odd = [given.glideSize, given.masterSize, given.boundSize].find((s) => s !== undefined && !isIsoSize(s))
    if (odd !== undefined) return { wrong: `there is no file of size ${odd}` }
    if (given.glideSize !== undefined && given.glideSize >= given.masterSize)
      return { wrong: 'the master file is larger than the glide path' }
    const agitate = rulesOf(plan.rules)('irrigant.agitate')
    const points = pointsFor(given.masterSize)
    const line = `${ask.canal}: ${given.lengthMm} mm${given.reference ? ` from ${given.reference}` : ''}, ${given.masterSize}/${String(given.taperPercent / 100).slice(1)}, ${given.patency}, hypochlorite ${given.irrigantPercent} %, agitated ${given.agitatedS} s`
    const told = [
      ...(given.patency === 'not patent' ? ['not patent: the dentist decides before it is filled'] : []),
      ...(ask.lengthMm !== undefined && Math.abs(given.lengthMm - ask.lengthMm) > lengthOffMm
        ? [`recorded before as ${ask.lengthMm} mm: the film decides`]
        : []),
      ...(given.boundSize === undefined ? [] : [`bound at size ${given.boundSize}: marked for the next time`]),
    ]
    const short = given.agitatedS < agitate.value ? [`agitated ${given.agitatedS} s of ${agitate.value}`] : []
    return judged(short.length > 0 ? 'correct' : told.length > 0 ? 'tell' : 'good', [
      line,
      ...short,
      ...told,
      `points of size ${points.sizes.join(' or ')}`,
    ])
  },
})

/** Millimetres of sound tooth held all round. Standing C. */
export const ferruleMm = { least: 1.5, good: 2 } as const
const around = ['mesiofacial', 'facial', 'distofacial', 'mesiolingual', 'lingual', 'distolingual'] as const

export const ferrule = readingOf('ferrule', {
  name: 'Ferrule',
  rests: true,
  fields: {
    mesiofacial: num('mesiofacial', 'mm', 0, 6),
    facial: must(num('facial', 'mm', 0, 6)),
    distofacial: num('distofacial', 'mm', 0, 6),
    mesiolingual: num('mesiolingual', 'mm', 0, 6),
    lingual: must(num('lingual', 'mm', 0, 6)),
    distolingual: num('distolingual', 'mm', 0, 6),
  },
  judge: (given) => {
    const low = around.filter((p) => given[p] !== undefined && sure(given[p]) < ferruleMm.least)
    const figure = {
      name: 'ferrule',
      value: ferruleMm.least,
      unit: 'mm',
      text: `${ferruleMm.least}–${ferruleMm.good} mm of sound tooth above the margin, all round: without it the root splits`,
      standing: 'C' as const,
    }
    return judged(
      low.length > 0 ? 'short' : 'good',
      low.length > 0
        ? low.map(
            (p) =>
              `${p}: ${sure(given[p]).toFixed(1)} mm, short by ${(ferruleMm.least - sure(given[p])).toFixed(1)} of ${ferruleMm.least}`,
          )
        : [`${ferruleMm.least} mm or more at every point read`],
      { figures: [figure] },
    )
  },
})
