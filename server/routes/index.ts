/** Every room of the API, each a plugin of its own. */
import { alertRoutes } from './alerts'
import { amendmentRoutes } from './amendments'
import { auditRoutes } from './audit-trail'
import { backupRoutes } from './backups'
import { calendarRoutes } from './calendar'
import { cassetteRoutes } from './cassettes'
import { clockRoutes } from './clock'
import { dayRoutes } from './day'
import { drillRoutes } from './drill'
import { itemRoutes } from './items'
import { liveRoutes } from './live'
import { loadRoutes } from './loads'
import { lookBackRoutes } from './lookback'
import { lotRoutes } from './lots'
import { paperRoutes } from './papers'
import { peopleRoutes } from './people'
import { practiceRoutes } from './practice'
import { releaseRoutes } from './release'
import { runRoutes } from './runs'
import { sessionRoutes } from './session'
import { stockRoutes } from './stock'
import { timeRoutes } from './times'
import { trayRoutes } from './tray'
import { visitRoutes } from './visits'

export const rooms = [
  backupRoutes,
  sessionRoutes,
  practiceRoutes,
  amendmentRoutes,
  peopleRoutes,
  auditRoutes,
  itemRoutes,
  lotRoutes,
  stockRoutes,
  dayRoutes,
  timeRoutes,
  calendarRoutes,
  clockRoutes,
  cassetteRoutes,
  loadRoutes,
  releaseRoutes,
  visitRoutes,
  trayRoutes,
  alertRoutes,
  paperRoutes,
  lookBackRoutes,
  drillRoutes,
  runRoutes,
  liveRoutes,
]
