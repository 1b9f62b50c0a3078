/** Which agent each injection of a visit is given with. The dentist picks; this is what is laid out until then. */
import { reason, type Reason } from '../figure'
import { jawOf } from '../teeth/notation'
import type { Agent } from './anaesthetic'
import { sideOf, techniques, type Injection } from './numbing'

/** One agent, and what is given with it. */
export interface Dose {
  agent: Agent
  mL: number
  cartridges: number
  injections: Injection[]
}

/** Under this age the label of the 4 % agent with adrenaline gives no dose. [P: US label of articaine 4 % with adrenaline, use in children] */
export const noFourPercentUnderYears = 4

const isBlock = (i: Injection): boolean => techniques[i.technique].block

/**
 * A lower tooth that is cut with nothing but an infiltration over thick bone: no block numbs that side. Two per cent often
 * does not do there. Common practice.
 */
const aloneBelow = (i: Injection, all: readonly Injection[]): boolean =>
  i.technique === 'infiltration' &&
  jawOf(i.at) === 'lower' &&
  i.covers.some((s) => s.tissue === 'tooth') &&
  !all.some((b) => isBlock(b) && sideOf(b.at) === sideOf(i.at))

/**
 * By technique: two per cent for a block, because lasting numbness of lip or tongue was reported more often after blocks with
 * a four per cent agent [M], and for what is given beside one; four per cent where no block is given, and at a lower tooth that
 * is cut under infiltration alone, its tongue side with it. Under four years two per cent throughout.
 * @returns agents in the order of their first injection, each with its injections
 */
export function agentsFor(
  injections: readonly Injection[],
  of: { choice: Agent | 'by technique'; ageYears?: number | undefined },
): { agent: Agent; injections: Injection[] }[] {
  const young = of.ageYears !== undefined && of.ageYears < noFourPercentUnderYears
  const blocked = injections.some(isBlock)
  const alone = new Set(injections.filter((i) => aloneBelow(i, injections)).map((i) => i.at))
  const agentOf = (i: Injection): Agent => {
    if (of.choice !== 'by technique') return of.choice
    if (young) return 'lidocaine with adrenaline'
    return blocked && !alone.has(i.at) ? 'lidocaine with adrenaline' : 'articaine with adrenaline'
  }
  const agents = [...new Set(injections.map(agentOf))]
  return agents.map((agent) => ({ agent, injections: injections.filter((i) => agentOf(i) === agent) }))
}

/** What is to be said of these agents at this age. */
export const ageCautions = (agents: readonly Agent[], ageYears: number | undefined): Reason[] =>
  ageYears !== undefined && ageYears < noFourPercentUnderYears && agents.includes('articaine with adrenaline')
    ? [reason('Articaine under four years: its label gives no dose; the dentist decides', 'P')]
    : []
