/** Small plans for tests, of steps and ties whose times are the only thing that matters about them. */
import type { Edge, Link } from '../../model/link'
import type { Step } from '../../model/step'

/** A step of one person, its three times given or all the same, s. */
export const step = (
  id: string,
  who: string,
  times: number | readonly [number, number, number],
  place: Step['place'] = 'bench',
  helpers: string[] = [],
): Step => {
  const [shortS, likelyS, longS] = typeof times === 'number' ? [times, times, times] : times
  return {
    id,
    phase: 'arrival',
    title: id,
    fn: 'chairside',
    performer: { personId: who, name: who, permission: 'yes', because: { text: '', standing: 'C' } },
    allowed: { [who]: 'yes' },
    helpers,
    place,
    spread: { shortS, likelyS, longS },
    passes: [],
    with: [],
    needs: [],
    countsIn: [],
    countsOut: [],
    cautions: [],
    mistakes: [],
    figures: [],
    asks: [],
  }
}

/** A tie from the end of one step to the start of another, where nothing else is said. */
export function link(
  from: string,
  to: string,
  {
    title = 'clock',
    fromEdge = 'finish',
    toEdge = 'start',
    atLeastS,
    atMostS,
  }: { title?: string; fromEdge?: Edge; toEdge?: Edge; atLeastS?: number; atMostS?: number } = {},
): Link {
  const ends = { id: `${from}>${to}`, from, fromEdge, to, toEdge }
  const told = { title, because: { text: '', standing: 'C' } } as const
  const least = atLeastS === undefined ? {} : { atLeastS }
  if (atMostS !== undefined)
    return { ...ends, ...told, ...least, kind: 'window', atMostS, whenMissed: 'again', again: [to] }
  return atLeastS === undefined ? { ...ends, kind: 'order' } : { ...ends, ...told, kind: 'lag', atLeastS }
}
