import { lay } from '../lay'
import { firstOf, sure } from '../../sure'
import { alertWords } from '../../vocabulary'
import { only, sequence, type Block } from '../build'
import { labels, type Case } from '../case'
import { goldWork } from '../gold-work'
import { askedOfLab } from '../handed-on'

/** What came from the laboratory, as it is called: a bridge or a crown, one inlay or several. */
export function pieceWords(c: Case, n = c.units.length): string {
  const delivers = sure(c.kind.delivers)
  if (delivers === 'crown or bridge') return c.pontics.length > 0 ? 'bridge' : n > 1 ? 'crowns' : 'crown'
  const one = delivers.replace(/s\b/g, '')
  return n > 1 && !/bridge|framework/.test(one) ? one.replace(/\b(inlay|onlay|laminate)\b/g, '$1s') : one
}

/** Where it may be one of several stuffs, which it is is read on the slip. */
function made(c: Case): string {
  if ((c.kind.frameworks?.length ?? 0) < 2) return ''
  const framework = c.asks('framework')
  return framework ? `${framework}, ` : 'what it is made of, '
}

/** The laboratory's piece is looked at before the patient sits: a delivery without it is stopped here. */
function piece(c: Case, mark: string): Block {
  const own = c.request.kind === 'gold.deliver' ? goldWork(c).inlays : c.units
  const what = pieceWords(c, own.length)
  return lay(c, 'arrival.piece$mark', {
    mark,
    what,
    own: own.map((u) => u.label).join(', '),
    several: what.endsWith('s'),
    handedOn: () =>
      [`Name, teeth, ${made(c)}shade, contacts on the model; last visit’s notes read.`, ...askedOfLab(c)].join(' '),
  })
}

/** Seat, confirm the patient and the tooth aloud in both notations, read the alerts. */
export function arrival(works: readonly Case[]): Block {
  const c = firstOf(works)
  const alerts = c.request.alerts.map((a) => alertWords[a])
  const child = works.some((w) => w.kind.dentition === 'primary')
  const weigh = child
    ? c.asks('weightKg') === undefined
      ? ' Weigh the child and write it down.'
      : ` Weight ${c.asks('weightKg')} kg.`
    : ''
  return sequence(
    ...works.map((w, i) => only(w.kind.delivers !== undefined, () => piece(w, i === 0 ? '' : `@${w.request.kind}`))),
    lay(c, 'arrival.seat', {
      all: works.map(labels).join(', '),
      severalTeeth: works.flatMap((w) => w.units).length > 1,
      weigh,
      alertWords: alerts.join('; '),
      alerts,
    }),
  )
}
