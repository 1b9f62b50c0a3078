import { keysOf } from '../../core/sure'
import { alertWords, type Alert } from '../../core/vocabulary'
import { Check, Panel } from '../parts/ui'

/** The patient's alerts: changed at any time; a signed tray is re-opened by it. */
export function Alerts({
  alerts,
  onAlerts,
  signed,
}: {
  alerts: readonly Alert[]
  onAlerts: (alerts: Alert[]) => void
  signed: boolean
}) {
  return (
    <Panel
      title="Alerts"
      aside={signed ? <span className="text-base text-soft">a change re-opens the signed tray</span> : undefined}
    >
      <div className="flex flex-wrap gap-1.5">
        {keysOf(alertWords).map((a) => (
          <Check
            key={a}
            label={a}
            checked={alerts.includes(a)}
            onChange={(on) => onAlerts(on ? [...alerts, a] : alerts.filter((x) => x !== a))}
          />
        ))}
      </div>
    </Panel>
  )
}
