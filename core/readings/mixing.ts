/** Mix limits, powder and liquid, and solutions made weaker. */
import { dilution, judgeAlginate, judgeBase, tintPercent } from '../measure/mixes'
import { mostTintG, mostTintPercent as mostPercent } from '../measure/restoring'
import { reason } from '../figure'
import { judged, readingOf, must, num } from './reading'

export const tint = readingOf('tint', {
  name: 'Tint in the cement',
  once: true,
  fields: { baseG: must(num('base cement', 'g', 0.02, 5)), tintG: must(num('tint', 'g', 0, 2)) },
  judge: ({ baseG, tintG }) => {
    const most = mostTintG(baseG, mostPercent)
    const share = tintPercent(baseG, tintG)
    return share > mostPercent
      ? judged(
          'correct',
          [
            `tint is ${share} % of the mix, over ${mostPercent}: it does not set right; at most ${most.value} g to ${baseG} g`,
          ],
          { figures: [most] },
        )
      : judged('good', [`tint is ${share} % of the mix, of at most ${mostPercent}`], { figures: [most] })
  },
})

export const alginateMix = readingOf('alginate', {
  name: 'Alginate',
  once: true,
  fields: { scoops: must(num('scoops', '', 1, 6, [2, 3])), waterMl: must(num('water', 'mL', 5, 150, [34, 51])) },
  judge: ({ scoops, waterMl }) => {
    const { water, says } = judgeAlginate(scoops, waterMl)
    return judged(says.text.includes('too') ? 'tell' : 'good', [says.text], { figures: [water] })
  },
})

export const base = readingOf('base', {
  name: 'Base, powder to liquid',
  fields: {
    scoops: must(num('scoops of powder', '', 1, 6, [1, 2])),
    drops: must(num('drops of liquid', '', 1, 6, [1, 2])),
  },
  judge: ({ scoops, drops }) =>
    judged(scoops === drops ? 'good' : 'tell', [judgeBase(scoops, drops).text], {
      figures: [
        {
          name: 'powder to liquid',
          value: 1,
          unit: 'scoop to 1 drop',
          text: 'one scoop of powder to one drop of liquid',
          standing: 'C',
        },
      ],
    }),
})

const caution = reason('Hypochlorite only with the sheet on and tight; labelled, dated, never in a drinking cup', 'C')
export const irrigant = readingOf('irrigant', {
  name: 'Irrigant made weaker',
  once: true,
  fields: {
    stockPercent: must(num('strength of the stock', '%', 0.1, 15, [3, 5.25, 6])),
    wantedPercent: must(num('strength wanted', '%', 0.1, 15, [1, 2.5, 3])),
    volumeMl: must(num('volume wanted', 'mL', 1, 500, [10, 20, 50])),
  },
  judge: ({ stockPercent, wantedPercent, volumeMl }) => {
    if (wantedPercent > stockPercent)
      return { wrong: `${wantedPercent} % cannot be made from ${stockPercent} %: water only makes it weaker` }
    const { stock, water } = dilution(stockPercent, wantedPercent, volumeMl)
    return judged(
      'tell',
      [
        `${stock.value} mL of ${stockPercent} % and ${water.value} mL of water give ${volumeMl} mL of ${wantedPercent} %; the dentist says which strength`,
        caution.text,
      ],
      { figures: [stock, water] },
    )
  },
})
