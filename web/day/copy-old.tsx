import { useQuery } from '@tanstack/react-query'
import type { LastCopy } from '../../wire/backups'
import { api } from '../app/api'
import { Mark } from '../parts/ui'

/** Older than this, the day says so. */
const copyTooOldMs = 2 * 86_400_000

/** Said on the day where copies are to be made each night and none was made for two. */
export function CopyOld({ now }: { now: number }) {
  const { data } = useQuery({
    queryKey: ['practice', 'last copy'],
    queryFn: () => api<LastCopy>('/backups/last'),
    staleTime: 10 * 60_000,
  })
  if (!data?.nightly || (data.at !== null && now - data.at < copyTooOldMs)) return null
  return (
    <Mark kind="ask">
      {data.at === null
        ? 'No copy of the practice has been made yet; a dentist sees why under Settings.'
        : `The last copy of the practice is ${Math.floor((now - data.at) / 86_400_000)} days old; a dentist sees why under Settings.`}
    </Mark>
  )
}
