/** Every cut of the library. */
import { cavityCuts } from './cavities'
import { crownCuts } from './crowns'
import { enamelCuts } from './enamel'
import { otherCrownCuts } from './other-crowns'

export const cuts = { ...crownCuts, ...otherCrownCuts, ...enamelCuts, ...cavityCuts } as const
export type CutId = keyof typeof cuts
