import { lazy, Suspense, useState } from 'react'
import { keysOf } from '../../core/sure'
import { alertWords, type Alert } from '../../core/vocabulary'
import { usePerson } from '../app/person'
import { Check, Panel } from '../parts/ui'

const TakeAway = lazy(() => import('./take-away'))

/**
 * The patient's alerts: entered at any time by anybody; taken away by a dentist, or with a reason. A signed tray is
 * re-opened by a change.
 */
export function Alerts({
  alerts,
  onAlerts,
  signed,
}: {
  alerts: readonly Alert[]
  onAlerts: (alerts: Alert[], why?: string) => Promise<void>
  signed: boolean
}) {
  const person = usePerson()
  const [going, setGoing] = useState<Alert>()
  const without = (gone: Alert): Alert[] => alerts.filter((a) => a !== gone)
  const change = (a: Alert, on: boolean): void => {
    if (on) void onAlerts([...alerts, a])
    else if (person.roles.includes('dentist')) void onAlerts(without(a))
    else setGoing(a)
  }
  return (
    <Panel
      title="Alerts"
      aside={signed ? <span className="text-base text-soft">a change re-opens the signed tray</span> : undefined}
    >
      <div className="flex flex-wrap gap-1.5">
        {keysOf(alertWords).map((a) => (
          <Check key={a} label={a} checked={alerts.includes(a)} onChange={(on) => change(a, on)} />
        ))}
      </div>
      {going !== undefined && (
        <Suspense>
          <TakeAway
            alert={going}
            onWhy={(why) => onAlerts(without(going), why).then(() => setGoing(undefined))}
            onClose={() => setGoing(undefined)}
          />
        </Suspense>
      )}
    </Panel>
  )
}
