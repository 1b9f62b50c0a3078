import * as z from 'zod'
import type { Item } from '../../core/catalog/item'
import { api } from '../app/api'
import { Form, TextField, useSchemaForm } from '../parts/form'
import { Modal } from '../parts/modal'

const lot = z.object({
  number: z.string().trim().min(1, 'The number is on the box.').max(80, 'No lot number is that long.'),
  expires: z.string().min(1, 'The date is on the box; without it nothing goes into a mouth.'),
  left: z.coerce.number<string>('How much is in it?').positive('How much is in it?'),
})

/** A box that came in: its lot, its date, how much is in it. */
export default function AddLot({ item, onClose, onAdded }: { item: Item; onClose: () => void; onAdded: () => void }) {
  const form = useSchemaForm(lot, { number: '', expires: '', left: '' })
  return (
    <Modal open onClose={onClose} title={`A lot of ${item.name}`}>
      <Form
        form={form}
        submit="Into the cupboard"
        onSend={async (body) => {
          await api('/lots', { method: 'POST', body: { itemId: item.id, ...body } })
          onAdded()
          onClose()
        }}
      >
        <TextField form={form} name="number" label="Lot number, as on the box" autoFocus />
        <TextField form={form} name="expires" label="Expires on" type="date" className="num" />
        <TextField
          form={form}
          name="left"
          label={`How much, ${item.unit}`}
          type="number"
          min={0}
          step="any"
          className="num"
        />
      </Form>
    </Modal>
  )
}
