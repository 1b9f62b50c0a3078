/** The shade by thirds, with its light and whether the tooth was wet. */
import { judged, readingOf, must, oneOf, text, yes } from './reading'

export const shade = readingOf('shade', {
  name: 'Shade',
  fields: {
    neck: text('neck third', 12),
    middle: must(text('middle third', 12)),
    edge: text('edge third', 12),
    light: must(oneOf('by', ['daylight', 'daylight lamp', 'operatory light'])),
    wet: must(yes('tooth wet')),
    agreed: yes('patient saw it and agrees'),
  },
  judge: (given) => {
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
