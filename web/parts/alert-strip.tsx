import { alertWords, type Alert } from '../../core/vocabulary'

/** What is known of the patient that may hurt them: on every screen of their visit, first to last, wherever one looks. */
export function AlertStrip({ alerts }: { alerts: readonly Alert[] }) {
  if (alerts.length === 0) return null
  return (
    <p role="note" aria-label="The patient’s alerts" data-alerts="" className="text-xl font-bold text-alarm">
      ■ {alerts.map((a) => alertWords[a]).join('; ')}
    </p>
  )
}
