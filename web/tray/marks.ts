/** What is done to a tray: marked by touch or scan, exchanged, signed, re-opened; and what others do to it, as it is told. */
import { useMutationState } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import { readScan } from '../../core/formats/gs1'
import { answerScan } from '../../core/plan/scan'
import type { Mark, VisitView } from '../../wire/visit'
import { api } from '../app/api'
import { useChange } from '../app/change'
import { useLive } from '../app/live'
import type { VisitAndPlan } from '../app/plan'
import { useRefresh } from '../app/queries'
import { useScan } from './scan'

/** The marks with these lines laid out, or no longer; a line is marked once. */
export function marked(marks: readonly Mark[], lineIds: readonly string[], done: boolean): Mark[] {
  if (!done) return marks.filter((m) => !lineIds.includes(m.lineId))
  const there = new Set(marks.map((m) => m.lineId))
  return [...marks, ...lineIds.filter((id) => !there.has(id)).map((lineId) => ({ lineId, by: '', at: 0 }))]
}

/** What one touch or scan says of some lines. */
interface Touch {
  lineIds: string[]
  done: boolean
}
const isTouch = (v: unknown): v is Touch => typeof v === 'object' && v !== null && 'lineIds' in v && 'done' in v
/** The marks as they are once these touches, in their order, have arrived. */
export const touched = (marks: readonly Mark[], touches: readonly Touch[]): Mark[] =>
  touches.reduce((so, t) => marked(so, t.lineIds, t.done), [...marks])

/** What was read, and who answers with their own code what is left to the dentist. */
export interface Signature {
  acknowledged: string[]
  /** The cassettes that were taken. */
  cassettes: string[]
  signer?: { personId: string; code: string }
}

/** @param found called with the line that a scan has marked */
export function useTray(visitId: string, data: VisitAndPlan | undefined, found: (lineId: string) => void) {
  const navigate = useNavigate()
  const refresh = useRefresh()
  // One after the other: a signature never overtakes the last touch.
  const inTurn = `tray-${visitId}`
  const reread = { settled: () => refresh.visit(visitId), inTurn }
  const put = (change: (v: VisitView) => Partial<VisitView>): void =>
    void refresh.client.setQueryData<VisitView>(['visit', visitId], (v) => (v ? { ...v, ...change(v) } : v))
  useLive(visitId, {
    tray: (marks) => put(() => ({ marks })),
    visit: () => refresh.visit(visitId),
    opened: () => refresh.visit(visitId),
  })
  // What is marked comes back over the stream; only a refusal has to be read.
  const marking = ['marking', visitId]
  const mark = useChange(
    (body: Touch) =>
      api<{ marks: Mark[] }>(`/visits/${visitId}/tray`, { method: 'PUT', body }).catch((e: unknown) => {
        refresh.visit(visitId)
        throw e
      }),
    [],
    { inTurn, key: marking, stored: (_, touch) => put((v) => ({ marks: touched(v.marks, [touch]) })) },
  )
  const onTheirWay = useMutationState({
    filters: { mutationKey: marking, status: 'pending' },
    select: (m) => m.state.variables,
  }).filter(isTouch)
  const swap = useChange(
    (body: { from: string; to: string | null; saw: string | null }) =>
      api(`/visits/${visitId}/swaps`, { method: 'PUT', body }),
    [],
    reread,
  )
  const sign = useChange((body: Signature) => api(`/visits/${visitId}/tray/sign`, { method: 'POST', body }), [], {
    ...reread,
    stored: () => {
      toast.success('Tray signed; the plan is fixed.')
      void navigate(`/visits/${visitId}/chairside`)
    },
  })
  const reopen = useChange(() => api(`/visits/${visitId}/tray/reopen`, { method: 'POST' }), [], reread)
  const toggle = (lineIds: string[], done: boolean): void => mark.mutate({ lineIds, done })
  useScan((code) => {
    if (!data || data.visit.frozen) return
    const scan = readScan(code, Number(data.visit.day.slice(0, 4)))
    const said =
      'error' in scan ? { refused: scan.error } : answerScan(scan, data.plan, data.practice.items, data.visit.day)
    if ('refused' in said) return void toast.error(said.refused)
    if (said.says) toast(said.says)
    found(said.lineId)
    toggle([said.lineId], true)
  })
  return {
    // A touch shows at once and stays: what the server tells meanwhile is from before it.
    marks: touched(data?.visit.marks ?? [], onTheirWay),
    toggle,
    swap: (from: string, to: string | null) => swap.mutate({ from, to, saw: data?.visit.request.swaps[from] ?? null }),
    sign: (of: Signature) => sign.mutateAsync(of),
    signing: sign.isPending,
    reopen: () => reopen.mutate(),
  }
}
