/** Which row of the register says how long a place stays numb. */
import { ruleTable, type RuleId } from '../rules'
import type { Agent } from './anaesthetic'
import { techniques, type Technique } from './numbing'

const isRule = (id: string): id is RuleId => Object.hasOwn(ruleTable, id)

/**
 * By agent and technique; an agent without a row of its own counts as a plain one, which is the shortest.
 * @example numbRule('articaine with adrenaline', 'infiltration') // 'numb.articaine.infiltration'
 */
export function numbRule(agent: Agent, technique: Technique): RuleId {
  const by = techniques[technique].block ? 'block' : 'infiltration'
  const rule = `numb.${agent.split(' ', 1).join('')}.${by}`
  return isRule(rule) ? rule : by === 'block' ? 'numb.mepivacaine.block' : 'numb.mepivacaine.infiltration'
}
