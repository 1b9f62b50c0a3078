import { firstOf, messageOf } from '../../core/sure'
import { Download, Upload } from 'lucide-react'
import { toast } from 'sonner'
import { amendmentFile, changeWords, stillAsked } from '../../core/practice/amendment'
import type { Plan } from '../../core/model/plan'
import type { Practice } from '../../core/practice/practice'
import { kindTable, type KindId } from '../../core/kinds'
import { api } from '../app/api'
import { useChange } from '../app/change'
import { useRefresh } from '../app/queries'
import { usePerson } from '../app/person'
import { Button, Mark, Panel } from '../parts/ui'

/** What this practice does otherwise, with who, when and why; out as a file, and in from one. */
export function Amendments({ kind, practice, plan }: { kind: KindId; practice: Practice; plan: Plan }) {
  const { client } = useRefresh()
  const may = usePerson().roles.includes('dentist')
  const done = (): void => void client.invalidateQueries({ queryKey: ['practice'] })
  const remove = useChange((id: string) => api(`/practice/amendments/${id}`, { method: 'DELETE' }), ['practice'])
  const bring = async (file: File): Promise<void> => {
    try {
      const parsed = amendmentFile.safeParse(JSON.parse(await file.text()))
      if (!parsed.success)
        return void toast.error(
          `Not taken in. ${firstOf(parsed.error.issues).path.join('.')}: ${firstOf(parsed.error.issues).message}`,
        )
      const { added, replaced } = await api<{ added: number; replaced: number }>('/practice/amendments', {
        method: 'PUT',
        body: parsed.data,
      })
      toast(`${added} added, ${replaced} replaced`)
      done()
    } catch (e) {
      toast.error(e instanceof SyntaxError ? `Not taken in: ${e.message}` : messageOf(e))
    }
  }
  const own = practice.amendments.filter((a) => a.kind === kind)
  const others = practice.amendments.filter((a) => a.kind !== kind)
  return (
    <Panel
      title="Amended by this practice"
      className="space-y-2"
      aside={
        <span className="flex gap-2">
          <a
            href="/api/practice/amendments"
            className="flex min-h-12 items-center gap-2 rounded-md border-2 border-line px-3 font-semibold"
          >
            <Download aria-hidden="true" /> All, as a file
          </a>
          {may && (
            <label className="flex min-h-12 cursor-pointer items-center gap-2 rounded-md border-2 border-line px-3 font-semibold">
              <Upload aria-hidden="true" /> From a file
              <input
                type="file"
                accept="application/json,.json"
                className="sr-only"
                onChange={(e) => {
                  const f = e.target.files?.[0]
                  if (f) void bring(f)
                  e.target.value = ''
                }}
              />
            </label>
          )}
        </span>
      }
    >
      {own.length === 0 && (
        <p className="text-soft">
          Nothing: this kind is as the library has it.{' '}
          {may ? 'Under Steps each step has a pencil.' : 'A dentist amends it under Steps.'}
        </p>
      )}
      <ul className="space-y-2">
        {own.map((a) => {
          const use = plan.amendments.find((u) => u.id === a.id)
          return (
            <li
              key={a.id}
              data-amendment={a.id}
              className="flex flex-wrap items-center justify-between gap-3 border-b border-line pb-2"
            >
              <span>
                <strong>{changeWords(a.change)}</strong>
                <span className="block text-soft">
                  {a.by}, <span className="num">{a.on}</span>: {a.why}
                </span>
                {stillAsked(a.change) !== undefined && (
                  <Mark kind="ask">added before it was asked what it does in the mouth: add it anew</Mark>
                )}
                {use && !use.applied && <Mark kind="ask">does not fit this plan: {use.misfit}</Mark>}
              </span>
              {may && (
                <Button tone="quiet" onClick={() => remove.mutate(a.id)}>
                  Take back
                </Button>
              )}
            </li>
          )
        })}
      </ul>
      {others.length > 0 && (
        <p className="text-soft">
          Other kinds amended: {[...new Set(others.map((a) => kindTable[a.kind].title))].join(', ')}.
        </p>
      )}
    </Panel>
  )
}
