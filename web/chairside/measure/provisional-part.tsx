/** A provisional as it is read on the tooth: the edge in eight parts, contacts, inside, thickness, bite. */
import { entriesOf } from '../../../core/sure'
import type * as z from 'zod'
import type { MarginPart } from '../../../core/measure/inspection'
import {
  biteReadings,
  contactReadings,
  edgeFaults,
  gaugedSites,
  insideReadings,
  type EdgeFault,
} from '../../../core/measure/provisional'
import type { Plan } from '../../../core/model/plan'
import { contactsOf, type provisionalReading } from '../../../core/readings/provisional'
import type { AskOf } from '../../../core/readings/reading'
import type { Tooth } from '../../../core/teeth/notation'
import { Check, Pick } from '../../parts/ui'
import { MarginRing, turned, without } from '../../parts/margin-ring'
import { NumberBox } from './number-box'

export type ProvisionalReading = z.infer<typeof provisionalReading>
export const emptyProvisional: ProvisionalReading = {
  parts: {},
  contacts: {},
  inside: 'clean',
  thicknessMm: {},
  cracked: false,
}
export const edgeShape: Record<EdgeFault, string> = { short: '◌', open: '↕', over: '▲' }
const options = <T extends string>(of: readonly T[]) => of.map((value) => ({ value, label: value }))

export function ProvisionalPart({
  plan,
  ask,
  tooth,
  given,
  onGive,
}: {
  plan: Plan
  ask: AskOf<'provisional'>
  tooth: Tooth
  given: ProvisionalReading
  onGive: (r: ProvisionalReading) => void
}) {
  const faults: Partial<Record<MarginPart, EdgeFault>> = Object.fromEntries(
    entriesOf(given.parts).map(([p, f]) => [p, f.fault]),
  )
  const turn = (part: MarginPart): void => {
    const next = turned(edgeFaults, faults[part])
    onGive({
      ...given,
      parts:
        next === undefined
          ? without(given.parts, part)
          : { ...given.parts, [part]: { ...given.parts[part], fault: next } },
    })
  }
  const gaps = entriesOf(given.parts).filter(([, f]) => f.fault !== 'over')
  return (
    <div className="grid gap-4 md:grid-cols-[300px_minmax(0,1fr)]">
      <div>
        <MarginRing faults={faults} parts={ask.parts} tooth={tooth} shapes={edgeShape} onTurn={turn} size={290} />
        <p className="text-base text-soft">✓ good{edgeFaults.map((f) => ` · ${edgeShape[f]} ${f}`).join('')}</p>
      </div>
      <div className="space-y-2">
        {gaps.map(([part, f]) => (
          <NumberBox
            key={part}
            label={`${part}, ${f.fault} by`}
            unit="mm"
            value={f.byMm}
            least={0}
            most={6}
            touches={[0.5, 1, 2]}
            onGive={(byMm) =>
              onGive({
                ...given,
                parts: { ...given.parts, [part]: byMm === undefined ? { fault: f.fault } : { fault: f.fault, byMm } },
              })
            }
          />
        ))}
        {contactsOf(plan, tooth).map((side) => (
          <div key={side} className="flex flex-wrap items-center gap-2">
            <strong className="w-32">{side} contact</strong>
            <Pick
              label={`${side} contact`}
              value={given.contacts[side] ?? null}
              options={options(contactReadings)}
              onPick={(v) => onGive({ ...given, contacts: { ...given.contacts, [side]: v } })}
            />
          </div>
        ))}
        <div className="flex flex-wrap items-center gap-2">
          <strong className="w-32">inside</strong>
          <Pick
            label="inside"
            value={given.inside}
            options={options(insideReadings)}
            onPick={(inside) => onGive({ ...given, inside })}
          />
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <strong className="w-32">bite</strong>
          <Pick
            label="bite"
            value={given.bite ?? null}
            options={options(biteReadings)}
            onPick={(bite) => onGive({ ...given, bite })}
          />
        </div>
        {gaugedSites.map((site) => (
          <NumberBox
            key={site}
            label={`thickness, ${site}`}
            unit="mm"
            value={given.thicknessMm[site]}
            least={0}
            most={6}
            touches={[1, 1.5]}
            onGive={(mm) =>
              onGive({
                ...given,
                thicknessMm: mm === undefined ? without(given.thicknessMm, site) : { ...given.thicknessMm, [site]: mm },
              })
            }
          />
        ))}
        <Check label="cracked" checked={given.cracked} onChange={(cracked) => onGive({ ...given, cracked })} />
      </div>
    </div>
  )
}
