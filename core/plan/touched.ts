/** What an alert that comes up late touches: of a tray that lies there, of the plan that was made without it, of the team. */
import { carries } from '../catalog/hazards'
import type { Plan } from '../model/plan'
import type { Practice } from '../practice/practice'
import type { Alert } from '../vocabulary'
import { compile } from './compile'

/**
 * In lines, the tray first. What the plan would say by this alert is asked of the library as it is now; the signed plan stays.
 * @example touchedByAlert('iodine', plan, practice) // []
 */
export function touchedByAlert(alert: Alert, plan: Plan, practice: Practice): string[] {
  const lies = plan.setup.filter((l) => l.readiness !== 'drawer' && carries(l, alert)).map((l) => l.name)
  const known = new Set(plan.clashes.map((c) => c.id))
  const asked = compile({ ...plan.request, alerts: [...new Set([...plan.request.alerts, alert])] }, practice)
  const now = asked.clashes.filter((c) => !known.has(c.id))
  return [
    ...(lies.length > 0 ? [`on this tray: ${lies.join(', ')}`] : []),
    ...(alert === 'latex' ? ['the gloves of the team, if they are latex'] : []),
    ...now.map((c) => `${c.what}: ${c.doThis}`),
  ]
}
