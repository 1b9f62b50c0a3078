import { doors, groups, stageWords } from '../../wire/doors'
import { Panel } from '../parts/ui'

/** Who may do what in the program itself, as the server holds it; what may be done in a mouth is the table beside it. */
export function DoorsPart() {
  return (
    <Panel title="Who may do what in Jade Tray">
      <dl className="divide-y-2 divide-line">
        {doors
          .filter(([, who, ways]) => who !== 'everybody' && !ways.every((w) => w.includes('/standins/')))
          .map(([does, who, , at]) => (
            <div key={does} className="flex min-h-12 flex-wrap items-center justify-between gap-x-3">
              <dt className="font-bold">{does}</dt>
              <dd className="text-soft">
                {groups[who].words}
                {stageWords(at)}
              </dd>
            </div>
          ))}
      </dl>
      <p className="mt-2 text-soft">
        Fixed in the program. A signature asks for the dentist’s own code wherever it is given.
      </p>
    </Panel>
  )
}
