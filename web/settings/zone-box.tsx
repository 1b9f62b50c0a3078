/** The practice's time zone: every visit's hour hangs on it, so that it is set with the own code. */
import * as z from 'zod'
import { Form, TextField, useSchemaForm } from '../parts/form'
import { Modal } from '../parts/modal'

const zones = new Set(Intl.supportedValuesOf('timeZone'))
const another = z.object({
  zone: z
    .string()
    .trim()
    .refine((name) => zones.has(name) || name === 'Etc/UTC', 'An IANA name, as Europe/Vienna.'),
  code: z.string().min(4, 'Your own code: every visit’s hour hangs on this.'),
})

export default function ZoneBox({
  zone,
  onSend,
  onClose,
}: {
  zone: string
  onSend: (body: object) => Promise<unknown>
  onClose: () => void
}) {
  const form = useSchemaForm(another, { zone, code: '' })
  return (
    <Modal open onClose={onClose} title="The practice’s time zone">
      <Form
        form={form}
        submit="Set this zone"
        onSend={async ({ zone: name, code }) => {
          await onSend({ zone: name, signer: { code } })
          onClose()
        }}
      >
        <p>Visits that have not begun keep their hour by the clock on the wall; what has begun keeps its moment.</p>
        <TextField form={form} name="zone" label="Zone" autoFocus />
        <TextField form={form} name="code" label="Your code" type="password" autoComplete="off" />
      </Form>
    </Modal>
  )
}
