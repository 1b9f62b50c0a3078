/**
 * Adhesives by system: what each wants of acid, and its bottles in their order. Standing C; the product's own instructions
 * win. A self-etch primer takes away what it needs itself: over dentine that acid has opened it bonds less. An
 * etch-and-rinse adhesive bonds to nothing but etched tooth. A universal one goes with either.
 */
import type { Choices } from './choices'

export type System = Choices['adhesive']
export type Acid = Choices['etch']

export interface AdhesiveSystem {
  /** Where its acid may go. */
  acid: readonly Acid[]
  /** Needs of its bottles: what is rubbed in and blown strongly first, and what is laid over it and thinned only. */
  primer?: string
  bond: string
  /** Acid stays at its surface: a resin that sets by itself stays soft there without the activator. */
  acidic: boolean
  /** The last bottle as it is called for, and the whole as the record names it. */
  words: string
  spoken: string
}

export const adhesives: Record<System, AdhesiveSystem> = {
  'self-etch, two bottles': {
    acid: ['enamel edge', 'none'],
    primer: 'primer.self-etch',
    bond: 'bond.self-etch',
    acidic: false,
    words: '{bond}',
    spoken: 'a two-bottle self-etch {adhesive}',
  },
  'self-etch, one bottle': {
    acid: ['enamel edge', 'none'],
    bond: 'adhesive.one-bottle',
    acidic: true,
    words: 'self-etch {adhesive}',
    spoken: 'a one-bottle self-etch {adhesive}',
  },
  'etch-and-rinse, three steps': {
    acid: ['total'],
    primer: 'primer.etch-and-rinse',
    bond: 'bond.etch-and-rinse',
    acidic: false,
    words: '{bond}',
    spoken: 'a three-step etch-and-rinse {adhesive}',
  },
  'etch-and-rinse, two steps': {
    acid: ['total'],
    bond: 'adhesive.etch-and-rinse',
    acidic: true,
    words: '{adhesive}',
    spoken: 'a two-step etch-and-rinse {adhesive}',
  },
  universal: {
    acid: ['total', 'enamel edge', 'none'],
    bond: 'adhesive.universal',
    acidic: true,
    words: 'universal {adhesive}',
    spoken: 'a universal {adhesive}',
  },
}

/** The bottle of an acidic or universal adhesive mixed with its activator; the one that sets where no light comes. */
export const withActivator = 'adhesive.dual-cure'

/** Whether an adhesive takes its acid there. */
export const takes = (system: System, acid: Acid): boolean => adhesives[system].acid.includes(acid)
