/** Which function is whose, line by line; changed lines are stored together, with the code of the dentist who sets them. */
import { useState } from 'react'
import * as z from 'zod'
import { among } from '../../core/sure'
import { functionNames, permission, type FunctionName } from '../../core/practice/functions'
import type { Practice } from '../../core/practice/practice'
import { api } from '../app/api'
import { useChange } from '../app/change'
import { Form, TextField, useSchemaForm } from '../parts/form'
import { Button, Mark, Panel, Pick } from '../parts/ui'
import { useUnkept } from '../parts/unkept'

const permissionWords: Record<string, string> = { no: 'no', sight: 'in sight', word: 'on the word', yes: 'yes' }
type Table = 'cautious' | 'expanded'
type Permission = z.infer<typeof permission>
interface Line {
  table: Table
  function: FunctionName
  who: 'assistant' | 'expanded'
  permission: Permission
  /** What the line said when it was changed. */
  saw: Permission
}
const keyOf = (l: Omit<Line, 'permission' | 'saw'>): string => `${l.table} ${l.function} ${l.who}`

const code = z.object({ code: z.string().min(4, 'Your own code: this changes who may do what.') })

function Store({ lines, onStored }: { lines: readonly Line[]; onStored: () => void }) {
  const form = useSchemaForm(code, { code: '' })
  const store = useChange(
    async (signer: { code: string }) => {
      for (const line of lines) await api('/practice/functions', { method: 'PUT', body: { ...line, signer } })
    },
    ['practice', 'day', 'visit'],
    { stored: onStored },
  )
  return (
    <Form
      form={form}
      submit={`Store ${lines.length === 1 ? 'this line' : `these ${lines.length} lines`}`}
      onSend={(signer) => store.mutateAsync(signer)}
    >
      <TextField form={form} name="code" label="Your code" type="password" autoComplete="off" />
      <Button tone="quiet" onClick={onStored}>
        Leave all as it was
      </Button>
    </Form>
  )
}

export function FunctionsPart({ practice, may }: { practice: Practice; may: boolean }) {
  const [table, setTable] = useState<Table>('cautious')
  const [changed, setChanged] = useState<ReadonlyMap<string, Line>>(new Map())
  useUnkept(changed.size > 0)
  const set = (line: Line, stands: Permission): void => {
    const next = new Map(changed)
    if (line.permission === stands) next.delete(keyOf(line))
    else next.set(keyOf(line), line)
    setChanged(next)
  }
  return (
    <Panel
      title="Who may do what"
      aside={
        <Pick
          label="Table"
          value={table}
          onPick={setTable}
          options={[
            { value: 'cautious', label: 'Cautious' },
            { value: 'expanded', label: 'Expanded' },
          ]}
        />
      }
    >
      <p className="mb-2">
        <Mark kind="ask">
          The program knows no place’s law. Set these after reading your board’s rules; each line carries who set it and
          when.
        </Mark>
      </p>
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col">Function</th>
            <th scope="col">Assistant</th>
            <th scope="col">Expanded assistant</th>
            <th scope="col">Set by</th>
          </tr>
        </thead>
        <tbody>
          {practice.functions[table].map((l) => (
            <tr key={l.function} data-function={l.function} className="border-b border-line">
              <th scope="row" className="py-1 text-left font-semibold">
                {functionNames[l.function]}
              </th>
              {(['assistant', 'expanded'] as const).map((who) => (
                <td key={who} className="py-1 pr-3">
                  <select
                    aria-label={`${functionNames[l.function]}, ${who === 'assistant' ? 'assistant' : 'expanded assistant'}`}
                    disabled={!may}
                    value={changed.get(keyOf({ table, function: l.function, who }))?.permission ?? l[who]}
                    onChange={(e) =>
                      set(
                        {
                          table,
                          function: l.function,
                          who,
                          permission: among(permission.options, e.target.value) ?? l[who],
                          saw: l[who],
                        },
                        l[who],
                      )
                    }
                    className={`h-12 scroll-mb-72 rounded-md border-2 bg-sheet px-2 disabled:opacity-100 ${changed.has(keyOf({ table, function: l.function, who })) ? 'border-jade font-bold' : 'border-line'}`}
                  >
                    {permission.options.map((p) => (
                      <option key={p} value={p}>
                        {permissionWords[p]}
                      </option>
                    ))}
                  </select>
                </td>
              ))}
              <td className="num text-base text-soft">
                <span className="block whitespace-nowrap">{l.setBy}</span>
                <span className="block whitespace-nowrap">{l.setOn}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {changed.size > 0 && (
        // Wherever in the table one is: it is not stored yet.
        <div className="sticky bottom-0 border-t-2 border-ink bg-sheet pt-2 pb-3">
          <Store lines={[...changed.values()]} onStored={() => setChanged(new Map())} />
        </div>
      )}
    </Panel>
  )
}
