/** Forms: what is typed is held against a schema, each field says what is wrong with it, and a refusal of the server stands in the form. */
import { zodResolver } from '@hookform/resolvers/zod'
import type { ChangeEvent, ComponentProps, ReactNode } from 'react'
import { useForm, type DefaultValues, type FieldPath, type FieldValues, type UseFormReturn } from 'react-hook-form'
import type * as z from 'zod'
import { wasSaid, whyNot } from '../app/change'
import { Alert, Button, wideField } from './ui'
import { useUnkept } from './unkept'

/** A form whose answer is what its schema makes of what was typed; a field is judged once it has been left. */
export const useSchemaForm = <Typed extends FieldValues, Answer>(
  schema: z.ZodType<Answer, Typed>,
  defaultValues: DefaultValues<NoInfer<Typed>>,
): UseFormReturn<Typed, unknown, Answer> =>
  useForm<Typed, unknown, Answer>({ resolver: zodResolver(schema), defaultValues, mode: 'onTouched' })

/** The form around its fields: sent once at a time, and kept as typed where it is refused. */
export function Form<Typed extends FieldValues, Answer>({
  form: { handleSubmit, setError, formState },
  onSend,
  submit,
  tone = 'jade',
  className = 'space-y-3',
  disabled = false,
  children,
}: {
  form: UseFormReturn<Typed, unknown, Answer>
  onSend: (answer: Answer) => Promise<unknown>
  /** The words on its button. */
  submit: string
  tone?: 'jade' | 'alarm'
  className?: string
  disabled?: boolean
  children: ReactNode
}) {
  useUnkept(formState.isDirty && !formState.isSubmitting && !formState.isSubmitSuccessful)
  const send = handleSubmit((answer) =>
    onSend(answer).catch((e: unknown) => {
      if (!wasSaid(e)) setError('root', { message: whyNot(e) })
    }),
  )
  return (
    <form noValidate className={className} onSubmit={(e) => void send(e)}>
      {children}
      {formState.errors.root && <Alert className="col-span-full">{formState.errors.root.message}</Alert>}
      <Button
        big
        tone={tone}
        type="submit"
        className="col-span-full w-full"
        disabled={disabled || formState.isSubmitting}
      >
        {submit}
      </Button>
    </form>
  )
}

/** A label over whatever is typed into or chosen from, and under it what is wrong with it. */
export function Field({
  label,
  wrong,
  children,
  below,
}: {
  label: ReactNode
  wrong?: string | undefined
  children: ReactNode
  below?: ReactNode
}) {
  return (
    <label className="block">
      {label}
      {children}
      {wrong !== undefined && (
        <span role="alert" className="block text-base text-alarm">
          {wrong}
        </span>
      )}
      {below}
    </label>
  )
}

interface Of<Typed extends FieldValues, Answer> {
  form: UseFormReturn<Typed, unknown, Answer>
  name: FieldPath<Typed>
  label: ReactNode
}

/** What is wrong with one field of a form, in words. */
export const wrongOf = <Typed extends FieldValues, Answer>({
  form,
  name,
}: Pick<Of<Typed, Answer>, 'form' | 'name'>): string | undefined =>
  form.getFieldState(name, form.formState).error?.message

export function TextField<Typed extends FieldValues, Answer>({
  form,
  name,
  label,
  className = '',
  children,
  ...rest
}: Of<Typed, Answer> & Omit<ComponentProps<'input'>, 'form' | 'name' | 'onChange' | 'onBlur' | 'ref'>) {
  const wrong = wrongOf({ form, name })
  return (
    <Field label={label} wrong={wrong} below={children}>
      <input
        className={`${wideField} ${className}`}
        aria-invalid={wrong !== undefined}
        {...rest}
        {...form.register(name)}
      />
    </Field>
  )
}

export function SelectField<Typed extends FieldValues, Answer>({
  form,
  name,
  label,
  options,
  empty,
  onPicked,
}: Of<Typed, Answer> & {
  options: readonly (readonly [value: string, words: string])[]
  /** What stands there until something is chosen. */
  empty?: string
  onPicked?: (value: string) => void
}) {
  return (
    <Field label={label} wrong={wrongOf({ form, name })}>
      <select
        className={wideField}
        {...form.register(name, { onChange: (e: ChangeEvent<HTMLSelectElement>) => onPicked?.(e.target.value) })}
      >
        {empty !== undefined && <option value="">{empty}</option>}
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </Field>
  )
}
