/** What every section has: the tooth in its frame, gum, pulp, words beside it. */
import { jawOf, type Tooth } from '../teeth/notation'
import type { Plan } from '../model/plan'
import { edgeAt, type Point, type Profile, type View } from './tooth-profile'

export interface SectionLabel {
  text: string
  /** On the tooth, and where the words stand. */
  at: Point
  words: Point
  side: 'left' | 'right'
  /** The site the step is about. */
  lit: boolean
}
export interface SectionPart {
  points: Point[]
  /** `room`: what is still to come; `layer now`: what the step in front puts in. */
  is: 'seal' | 'room' | 'post' | 'layer' | 'layer now' | 'metal' | 'decay'
}
export interface Section {
  tooth: Tooth
  view: View
  /** An upper tooth hangs: it is drawn with its root up. */
  hangs: boolean
  /** What is seen, mm: left, top, width, height in the tooth's own frame. */
  frame: readonly [number, number, number, number]
  crown: Point[]
  root: Point[]
  pulp: Point[]
  /** What is left when the preparation is done. */
  left?: Point[]
  gum: Point[][]
  neighbours: Point[][]
  bur?: Point[]
  cord?: { at: Point; radiusMm: number }
  /** What is in or on the tooth, one over the other. */
  parts?: SectionPart[]
  labels: SectionLabel[]
  /** In words, for whoever does not see it. */
  says: string
}

/**
 * The labels as they are drawn, y downward, words upright though the tooth hangs: on each side set apart from top to bottom,
 * so that none lies over another.
 * @param letterMm how high a letter is drawn
 */
export function drawnLabels({ labels, hangs }: Pick<Section, 'labels' | 'hangs'>, letterMm: number): SectionLabel[] {
  const down = hangs ? -1 : 1
  return (['left', 'right'] as const).flatMap((side) => {
    let low = -Infinity
    return labels
      .filter((l) => l.side === side)
      .map((l): SectionLabel => ({ ...l, at: [l.at[0], down * l.at[1]], words: [l.words[0], down * l.words[1]] }))
      .toSorted((a, b) => a.words[1] - b.words[1])
      .map((l) => {
        const y = Math.max(l.words[1], low)
        low = y + letterMm * (l.text.includes('\n') ? 2.6 : 1.4)
        return { ...l, words: [l.words[0], y] as const }
      })
  })
}

/** Gum on either side, up to its edge on the tooth; it is drawn behind the tooth. */
function gumOf(p: Profile, reach: number): Point[][] {
  const low = p.neckMm + 5
  return (['outer', 'inner'] as const).map((which): Point[] => {
    const sign = which === 'outer' ? -1 : 1
    const x = edgeAt(p, p.gumMm, which)
    return [
      [0, p.gumMm + 1],
      [x, p.gumMm],
      [x + sign * 0.5, p.gumMm + 0.1],
      [x + sign * 1.1, p.gumMm + 0.7],
      [x + sign * 2, p.gumMm + 1.3],
      [sign * reach, p.gumMm + 1.9],
      [sign * reach, low],
      [0, low],
    ]
  })
}

/** The work of a visit that a tooth belongs to; a tooth beside it is seen as the first. */
export const workOf = ({ request }: Pick<Plan, 'request'>, tooth: Tooth) =>
  request.also.find((w) => w.teeth.includes(tooth)) ?? request

/** What every section shows of its tooth, so far to either side and above it, mm. */
export const seen = (
  p: Profile,
  tooth: Tooth,
  reach: number,
  above: number,
  vital: boolean,
): Pick<Section, 'tooth' | 'view' | 'hangs' | 'frame' | 'crown' | 'root' | 'pulp' | 'gum'> => ({
  tooth,
  view: p.view,
  hangs: jawOf(tooth) === 'upper',
  frame: [-reach, -above, 2 * reach, p.neckMm + above + 4],
  crown: p.crown,
  root: p.root,
  // A root filled holds none.
  pulp: vital ? p.pulp : [],
  gum: gumOf(p, reach),
})
