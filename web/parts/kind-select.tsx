import { among } from '../../core/sure'
import { groups, kindIds, kindTable, type KindId } from '../../core/kinds'

/** The kinds as a list to choose from, by group. */
export function KindSelect({
  value,
  onKind,
  label,
  only,
}: {
  value: KindId | ''
  onKind: (kind: KindId) => void
  label: string
  only?: (id: KindId) => boolean
}) {
  return (
    <select
      aria-label={label}
      className="h-12 max-w-full rounded-md border-2 border-ink bg-sheet px-3"
      value={value}
      onChange={(e) => {
        const kind = among(kindIds, e.target.value)
        if (kind) onKind(kind)
      }}
    >
      {value === '' && <option value="">{label}</option>}
      {groups.map((g) => {
        const kinds = kindIds.filter((id) => kindTable[id].group === g && (only?.(id) ?? true))
        return kinds.length > 0 ? (
          <optgroup key={g} label={g}>
            {kinds.map((id) => (
              <option key={id} value={id}>
                {kindTable[id].title}
              </option>
            ))}
          </optgroup>
        ) : null
      })}
    </select>
  )
}
