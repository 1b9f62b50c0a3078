/** Every cut of the library. */
import { cavityCuts } from './cavities'
import { crownCuts } from './crowns'
import { enamelCuts } from './enamel'

export const cuts = { ...crownCuts, ...enamelCuts, ...cavityCuts } as const
export type CutId = keyof typeof cuts
