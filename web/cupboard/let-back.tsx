import * as z from 'zod'
import type { Steriliser } from '../../core/practice/instruments'
import { Form, TextField, useSchemaForm } from '../parts/form'
import type { Act } from './instruments-data'

const word = z.object({ why: z.string().trim().min(3, 'Say what was found: it stays on record.') })

/** A steriliser whose spore test has grown comes back by word only; until then it runs nothing but another test. */
export function LetBack({ steriliser, act }: { steriliser: Steriliser; act: Act }) {
  const form = useSchemaForm(word, { why: '' })
  return (
    <Form
      form={form}
      submit="Back into service"
      onSend={(body) => act.mutateAsync({ path: `/sterilisers/${steriliser.id}/return`, body })}
    >
      <p>
        Nothing is let out of it. Find the cause, run a load with a spore test and wait for its result; local rules and
        the maker’s instructions go first.
      </p>
      <TextField form={form} name="why" label="What was found, and which test did not grow" />
    </Form>
  )
}
