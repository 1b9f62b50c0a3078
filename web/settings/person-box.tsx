import * as z from 'zod'
import { whyNotCode } from '../../core/practice/code'
import { roles as allRoles } from '../../core/practice/functions'
import type { Practice } from '../../core/practice/practice'
import { Form, TextField, useSchemaForm, wrongOf } from '../parts/form'
import { Modal } from '../parts/modal'
import { Button, Check } from '../parts/ui'
import type { Save } from './save'

/** @param isNew somebody who is new needs a first code; who is there keeps theirs where none is typed */
export const personForm = (isNew: boolean) =>
  z
    .object({
      name: z.string().trim().min(1, 'A name, as everybody here says it.').max(120, 'Shorter, please.'),
      roles: z.array(z.enum(allRoles)).min(1, 'At least one: it decides who may do what.'),
      code: z.string(),
      own: z.string().min(4, 'Your own code: this changes who may do what.'),
    })
    .superRefine(({ code, roles }, ctx) => {
      const why = code === '' ? undefined : whyNotCode(code, roles)
      if (why !== undefined) ctx.addIssue({ code: 'custom', path: ['code'], message: why })
    })
    .refine((p) => !isNew || p.code !== '', { path: ['code'], error: 'A first code, to sign in with.' })
    .transform(({ code, own, ...person }) => ({ ...person, ...(code === '' ? {} : { code }), signer: { code: own } }))

export default function PersonBox({
  person,
  save,
  onClose,
}: {
  person: Practice['people'][number] | null
  save: Save
  onClose: () => void
}) {
  const form = useSchemaForm(personForm(person === null), {
    name: person?.name ?? '',
    roles: person?.roles ?? ['assistant'],
    code: '',
    own: '',
  })
  const roles = form.watch('roles')
  const wrong = wrongOf({ form, name: 'roles' })
  return (
    <Modal open onClose={onClose} title={person ? person.name : 'Add a person'}>
      <Form
        form={form}
        submit="Keep"
        onSend={(body) =>
          save
            .mutateAsync(
              person
                ? {
                    method: 'PUT',
                    path: `/people/${person.id}`,
                    body: { ...body, saw: { name: person.name, roles: person.roles } },
                  }
                : { method: 'POST', path: '/people', body },
            )
            .then(onClose)
        }
      >
        <TextField form={form} name="name" label="Name" autoFocus />
        <fieldset>
          <legend>Roles</legend>
          <div className="flex flex-wrap gap-1.5">
            {allRoles.map((r) => (
              <Check
                key={r}
                label={r}
                checked={roles.includes(r)}
                onChange={(on) =>
                  form.setValue('roles', on ? [...roles, r] : roles.filter((x) => x !== r), { shouldValidate: true })
                }
              />
            ))}
          </div>
          {wrong !== undefined && (
            <p role="alert" className="text-base text-alarm">
              {wrong}
            </p>
          )}
        </fieldset>
        <TextField
          form={form}
          name="code"
          label={person ? 'New code (left empty, the old one stays)' : 'First code: four digits, six for a dentist'}
          type="password"
          autoComplete="new-password"
        />
        <TextField form={form} name="own" label="Your own code" type="password" autoComplete="off" />
        {person && (
          <Button
            tone="quiet"
            onClick={() =>
              void save
                .mutateAsync({
                  method: 'PUT',
                  path: `/people/${person.id}/left`,
                  body: { left: !person.left, signer: { code: form.getValues('own') } },
                })
                .then(onClose)
                .catch(() => undefined)
            }
          >
            {person.left ? 'Works here again' : 'Works here no more'}
          </Button>
        )}
      </Form>
    </Modal>
  )
}
