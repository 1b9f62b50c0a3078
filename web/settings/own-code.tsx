import { useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import * as z from 'zod'
import { leastDigits, whyNotCode } from '../../core/practice/code'
import type { Role } from '../../core/practice/functions'
import { api } from '../app/api'
import { usePerson } from '../app/person'
import { Form, TextField, useSchemaForm } from '../parts/form'
import { Panel } from '../parts/ui'

export const ownCodeForm = (roles: readonly Role[]) =>
  z
    .object({ before: z.string().min(4, 'The code you sign in with now.'), code: z.string(), again: z.string() })
    .superRefine(({ code, again }, ctx) => {
      const why = whyNotCode(code, roles)
      if (why !== undefined) ctx.addIssue({ code: 'custom', path: ['code'], message: why })
      else if (again !== code) ctx.addIssue({ code: 'custom', path: ['again'], message: 'That is not the same.' })
    })
    .transform(({ before, code }) => ({ code, signer: { code: before } }))

/** Everybody changes their own code, and nobody else's; other devices they are signed in on are signed out. */
export default function OwnCode() {
  const { roles, name } = usePerson()
  const client = useQueryClient()
  const form = useSchemaForm(ownCodeForm(roles), { before: '', code: '', again: '' })
  return (
    <Panel title={`Your code, ${name}`}>
      <Form
        form={form}
        submit="Change my code"
        onSend={async (body) => {
          await api('/session/code', { method: 'PUT', body })
          form.reset()
          void client.invalidateQueries({ queryKey: ['session'] })
          toast.success('Your code is changed; your other devices are signed out.')
        }}
      >
        <TextField form={form} name="before" label="Code until now" type="password" autoComplete="off" />
        <TextField
          form={form}
          name="code"
          label={`New code, ${leastDigits(roles)} digits or more`}
          type="password"
          autoComplete="new-password"
        />
        <TextField form={form} name="again" label="Once more" type="password" autoComplete="new-password" />
      </Form>
    </Panel>
  )
}
