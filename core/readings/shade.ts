/** The shade by thirds, with its light and whether the tooth was wet. */
import { parts } from '../teeth/notation'
import { judged, readingOf, must, oneOf, text, yes } from './reading'

/** As guides name their tabs: letters and figures, at least one of each. */
const shadeName = /^(?=.*[A-Za-z])(?=.*\d)[A-Za-z\d][A-Za-z\d./+-]{0,7}$/

export const shade = readingOf('shade', {
  name: 'Shade',
  rests: true,
  fields: {
    neck: text('neck third', 12),
    middle: must(text('middle third', 12)),
    edge: text('edge third', 12),
    light: must(oneOf('by', ['daylight', 'daylight lamp', 'operatory light'])),
    wet: must(yes('tooth wet')),
    agreed: yes('patient saw it and agrees'),
  },
  judge: (given, { tooth }) => {
    const named = [given.neck, given.middle, given.edge].filter((x) => x !== undefined)
    const strange = named.find((x) => !shadeName.test(x))
    if (strange !== undefined) return { wrong: `“${strange}” names no shade: a letter and a figure, as on the tab` }
    if (parts(tooth).position <= 3 && named.length < 3)
      return { wrong: `a front tooth is read in thirds: neck, middle and edge` }
    const thirds = [given.neck && `neck ${given.neck}`, `middle ${given.middle}`, given.edge && `edge ${given.edge}`]
      .filter(Boolean)
      .join(', ')
    const says = [
      `${thirds}, by ${given.light}, ${given.wet ? 'wet' : 'dry'}`,
      ...(given.light === 'operatory light'
        ? ['the operatory light is yellow and strong: by the window or a daylight lamp, at arm’s length']
        : []),
      ...(given.wet ? [] : ['a dry tooth looks lighter: let it rest under the lip and look again']),
    ]
    return judged(given.light === 'operatory light' || !given.wet ? 'correct' : 'good', says)
  },
})
