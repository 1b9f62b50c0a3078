/**
 * Worked out beside the Case screen: ten thousand runs of the visit, and what each other school would change. A newer
 * plan is looked for between two pieces of work, and what was begun for an older one is dropped.
 */
import { sure } from '../../core/sure'
import { comparePlans } from '../../core/schedule/compare'
import type { Plan } from '../../core/model/plan'
import { questions } from '../../core/practice/choices'
import type { Practice } from '../../core/practice/practice'
import { delegationOf, type Delegation } from '../../core/schedule/delegate'
import { forecast, type Forecast } from '../../core/schedule/simulate'
import { waysOut } from '../../core/schedule/ways-out'
import { inShort, tryPlan } from './change'

/** `practice` comes along only when it is another than the one sent before. */
export interface Asked {
  id: number
  plan: Plan
  practice?: Practice
  schools: boolean
}
export type Answered = { id: number } & (
  | { forecast: Forecast }
  | { delegation: Delegation | null }
  | { waysOut: readonly string[] }
  | { consequences: ReadonlyMap<string, string> }
)

/** As long as a second touch may take that makes the first one's answer idle, ms. */
const settleMs = 150
const breathe = (ms = 0): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))
const say = (answer: Answered): void => self.postMessage(answer)

let practice: Practice | undefined
let latest = 0

async function answer(data: Asked): Promise<void> {
  const { id, plan } = data
  latest = id
  practice = data.practice ?? practice
  await breathe(settleMs)
  if (latest !== id) return
  say({ id, forecast: forecast(plan) })
  await breathe()
  if (latest !== id) return
  say({ id, delegation: delegationOf(plan) })
  await breathe()
  if (latest !== id) return
  say({ id, waysOut: data.schools ? waysOut(plan, sure(practice)) : [] })
  const consequences = new Map<string, string>()
  for (const q of data.schools ? questions : []) {
    if (!plan.asked.choices.includes(q.name)) continue
    for (const s of q.schools) {
      if (s.value === plan.choices[q.name].value) continue
      await breathe()
      if (latest !== id) return
      const other = tryPlan(
        plan.request,
        { visitChoices: { ...plan.request.visitChoices, [q.name]: s.value } },
        sure(practice),
      )
      consequences.set(`${q.name}:${s.value}`, typeof other === 'string' ? other : inShort(comparePlans(plan, other)))
    }
  }
  say({ id, consequences })
}

self.addEventListener('message', ({ data }: MessageEvent<Asked>) => void answer(data))
