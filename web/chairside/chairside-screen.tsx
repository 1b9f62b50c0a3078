/** Chairside: now, the next two passes, clocks, burs, counts, holds. Everything legible at arm's length. */
import { sure } from '../../core/sure'
import { useParams, useNavigate } from 'react-router'
import { Failed, Loading, Panel, Button } from '../parts/ui'
import { usePerson } from '../app/person'
import { useVisitPlan, type VisitAndPlan } from '../app/plan'
import { useRefresh } from '../app/queries'
import { useRun } from '../app/run'
import { ChairView } from './chair-view'

function Open({ visitId, data }: { visitId: string; data: VisitAndPlan }) {
  const person = usePerson()
  const refresh = useRefresh()
  const run = useRun(visitId, data.plan, person, () => refresh.visit(visitId))
  if (!run) return <Loading what="Opening the run" />
  return <ChairView visitId={visitId} data={data} run={run} person={person} />
}

export default function ChairsideScreen() {
  const visitId = sure(useParams()['visitId'])
  const navigate = useNavigate()
  const { data, error, again } = useVisitPlan(visitId)
  if (error && !data) return <Failed error={error} again={again} />
  if (!data) return <Loading what="Going to the chair" />
  if (!data.visit.frozen) {
    return (
      <Panel title="The tray is not signed yet" className="mx-auto mt-10 max-w-xl space-y-3">
        <p>The visit runs from the plan that is fixed when the tray is signed.</p>
        <Button big tone="jade" onClick={() => void navigate(`/visits/${visitId}/tray`)}>
          To the tray
        </Button>
      </Panel>
    )
  }
  return <Open visitId={visitId} data={data} />
}
