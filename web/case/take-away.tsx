import * as z from 'zod'
import { alertWords, type Alert } from '../../core/vocabulary'
import { Form, TextField, useSchemaForm } from '../parts/form'
import { Modal } from '../parts/modal'

const taken = z.object({
  why: z.string().trim().min(3, 'Say why: it stays on the trail.').max(200, 'Shorter, please.'),
})

/** Why an alert is taken away; a dentist is not asked. */
export default function TakeAway({
  alert,
  onWhy,
  onClose,
}: {
  alert: Alert
  onWhy: (why: string) => Promise<void>
  onClose: () => void
}) {
  const form = useSchemaForm(taken, { why: '' })
  return (
    <Modal open onClose={onClose} title={`Take the alert away: ${alert}`}>
      <Form form={form} tone="alarm" submit="Take it away" onSend={({ why }) => onWhy(why)}>
        <p>
          “{alertWords[alert]}”: every plan of this patient is then made without it. Ask the dentist where you are not
          sure.
        </p>
        <TextField form={form} name="why" label="Why it no longer holds, and who said so" autoFocus />
      </Form>
    </Modal>
  )
}
