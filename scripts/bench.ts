/**
 * Measures what speed is promised for. Medians, beside a calibration loop on the same machine, so that figures from
 * other machines compare as ratios. `npm run bench` prints; with --write it also keeps docs/bench.md.
 */
import { pictures } from './bench-pictures'
import { firstScreenBytes } from './first-screen'
import { firstOf, sure } from '../core/sure'
import { toStore } from '../core/model/upgrade'
import { spawn } from 'node:child_process'
import { cpus } from 'node:os'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { eq, max } from 'drizzle-orm'
import { WebSocket } from 'ws'
import { compile } from '../core/plan/compile'
import { checkable, trayReadiness } from '../core/plan/ready'
import { searchItems } from '../core/catalog/search'
import { visitRequest } from '../core/model/request'
import { practice as practiceSchema, type Practice } from '../core/practice/practice'
import { starterPractice } from '../core/practice/starter'
import { decide } from '../core/run/decide'
import { give, runThrough, startDrive } from '../core/run/drive'
import type { RunEvent } from '../core/run/events'
import { replay } from '../core/run/state'
import { boundOfDay } from '../core/schedule/bound'
import { runForward } from '../core/schedule/forward'
import { proposeDay, type DayProblem } from '../core/schedule/propose'
import { random } from '../core/random'
import { forecast } from '../core/schedule/simulate'
import { layOut } from '../core/schedule/timeline'
import { bringTo } from '../demo/bring'
import { seedDemo } from '../demo/seed'
import { Screen } from '../e2e/screen'
import { freePort } from '../e2e/serve'
import { visitView } from '../wire/visit'
import { commandView, eventsView, type EventsView } from '../wire/run'
import { openDatabase } from '../server/db/open'
import * as t from '../server/db/schema'

const median = (xs: number[]): number => sure(xs.toSorted((a, b) => a - b)[Math.floor(xs.length / 2)])
const p95 = (xs: number[]): number => sure(xs.toSorted((a, b) => a - b)[Math.floor(xs.length * 0.95)])
const timed = (times: number, task: () => unknown): number => {
  for (let i = 0; i < Math.min(20, times); i++) task()
  return median(
    Array.from({ length: times }, () => {
      const started = performance.now()
      task()
      return performance.now() - started
    }),
  )
}

interface Row {
  what: string
  value: number
  unit: string
  aim?: number
}
const rows: Row[] = []
const note = (what: string, value: number, unit = 'ms', aim?: number): void => {
  rows.push({ what, value, unit, ...(aim === undefined ? {} : { aim }) })
  console.log(
    `${what.padEnd(58)} ${value.toFixed(value < 10 ? 2 : 0).padStart(8)} ${unit}${aim === undefined ? '' : `   (aim under ${aim} ${unit})${value < aim ? '' : '   MISSED'}`}`,
  )
}

/** A fixed piece of work: sums of square roots and a sort of a fixed array. */
function calibration(): number {
  let sum = 0
  for (let i = 0; i < 400_000; i++) sum += Math.sqrt(i % 1000)
  const list = Array.from({ length: 20_000 }, (_, i) => (i * 7919) % 20_011)
  list.sort((a, b) => a - b)
  return sum + firstOf(list)
}

function core(): void {
  const practice = starterPractice()
  const request = visitRequest.parse({
    kind: 'crown.prepare',
    date: '2026-11-24',
    teeth: ['37'],
    restoration: 'monolithic zirconia crown',
    missing: ['38'],
    choices: { cord: 'double', impression: 'polyether, custom tray' },
    team: { dentist: 'dentist', assistants: ['assistant'] },
  })
  note(
    'compile the crown visit',
    timed(200, () => compile(request, practice)),
    'ms',
    5,
  )
  const kinds = readdirSync('demo/cases')
    .filter((f) => f.endsWith('.json'))
    .map((f) => {
      const own = visitRequest.parse(JSON.parse(readFileSync(`demo/cases/${f}`, 'utf8')))
      return { name: f.replace('.json', ''), ms: timed(40, () => compile(own, practice)) }
    })
    .toSorted((a, b) => b.ms - a.ms)
  note(`compile any kind, slowest of ${kinds.length}: ${firstOf(kinds).name}`, firstOf(kinds).ms, 'ms', 10)
  note('compile any kind, median', median(kinds.map((k) => k.ms)), 'ms', 10)
  const span = {
    date: '2026-11-24',
    teeth: ['24', '26'],
    pontics: ['25'],
    restoration: 'metal-ceramic crown',
    team: { dentist: 'dentist', assistants: ['assistant'] },
  }
  const chain = (['crown.prepare', 'bridge.try-in', 'crown.deliver', 'recall.week'] as const).map((kind) =>
    visitRequest.parse({ ...span, kind, ...(kind === 'recall.week' ? { restoration: undefined } : {}) }),
  )
  note(
    'compile a three-unit bridge chain, four visits',
    timed(60, () => chain.map((r) => compile(r, practice))),
    'ms',
    25,
  )
  const many = Array.from({ length: 10_000 }, (_, i) => ({
    ...sure(practice.items[i % practice.items.length]),
    id: `item-${i}`,
    name: `${sure(practice.items[i % practice.items.length]).name} ${i}`,
  }))
  searchItems(many, 'warm')
  note(
    'search a catalogue of 10,000 items',
    timed(60, () => searchItems(many, 'molar clamp 12')),
    'ms',
    50,
  )
  const plan = compile(request, practice)
  // A plan keeps its score: each time another object, so that it is laid out anew.
  note(
    'score of the visit, least chair time',
    timed(100, () => layOut({ ...plan })),
  )
  note(
    `forecast, 10,000 runs of a visit of ${plan.steps.length} steps`,
    timed(5, () => forecast(plan)),
    'ms',
    1000,
  )
  const assistant = { personId: 'assistant', roles: ['assistant' as const], codeShown: false }
  const drive = runThrough(
    startDrive(plan, Date.UTC(2026, 10, 24, 9)),
    assistant,
    { personId: 'dentist', roles: ['dentist'], codeShown: true },
    'closing.home',
  )
  while (drive.events.length < 2_000) give(drive, { kind: 'note', text: `note ${drive.events.length}` }, assistant)
  days(practice)
  note(
    'replay a run of 2,000 events',
    timed(60, () => replay(plan, drive.events)),
    'ms',
    20,
  )
  note(
    'decide one command at the end of it',
    timed(300, () => decide(plan, drive.state, { kind: 'advance', start: 'closing.home' }, assistant, drive.now)),
  )
}

/** Days of the demo's own cases by seed: so many chairs with four visits each, a dentist for every two chairs, wished times as they fall. */
function dayOf(practice: Practice, chairs: number, visits: number, seed: number): DayProblem {
  const next = random(seed)
  const files = readdirSync('demo/cases').filter((f) => f.endsWith('.json'))
  const free = Array.from({ length: chairs }, () => 8 * 60)
  return {
    turnoverMs: 0,
    mostMs: 30 * 60_000,
    gridMs: 5 * 60_000,
    dentists: Array.from({ length: Math.ceil(chairs / 2) }, (_, i) => `dentist ${i}`),
    visits: Array.from({ length: visits }, (_, i) => {
      const chair = i % chairs
      const score = layOut(
        compile(
          visitRequest.parse(
            JSON.parse(readFileSync(`demo/cases/${sure(files[Math.floor(next() * files.length)])}`, 'utf8')),
          ),
          practice,
        ),
      )
      const names: Record<string, string> = {
        dentist: `dentist ${Math.floor(chair / 2)}`,
        assistant: `assistant ${chair}`,
      }
      const startMin = sure(free[chair]) + 5 * Math.floor(next() * 5)
      free[chair] = startMin + Math.ceil(score.totalS / 300) * 5
      return {
        id: `v${i}`,
        chairId: `c${chair}`,
        startsAt: startMin * 60_000,
        fixed: false,
        score: {
          ...score,
          bars: score.bars.map((b) => ({ ...b, people: b.people.map((p) => names[p] ?? `${p} ${chair}`) })),
        },
      }
    }),
  }
}

function days(practice: Practice): void {
  const ratio = { wait: [0, 0], idle: [0, 0] }
  const took: number[] = []
  const over: number[] = []
  for (let seed = 1; seed <= 8; seed++) {
    const day = dayOf(practice, 4, 16, seed)
    const started = performance.now()
    const { moves } = proposeDay(day)
    took.push(performance.now() - started)
    const after = day.visits.map((v) => ({
      ...v,
      startsAt: v.startsAt + (moves.find((m) => m.visitId === v.id)?.byMs ?? 0),
    }))
    for (const [k, visits] of [day.visits, after].entries()) {
      const run = runForward(visits, { people: sure(day.dentists), dentists: sure(day.dentists) })
      ratio.wait[k]! += run.waitS
      ratio.idle[k]! += run.idleS
      if (k === 1) over.push((Math.max(...run.visits.map((v) => v.endsAt)) - boundOfDay(day)) / 60_000)
    }
  }
  note('propose a day, 4 chairs and 16 visits, median of 8 seeds', median(took), 'ms', 2000)
  note('patients’ waiting, proposed against wished times', sure(ratio.wait[1]) / firstOf(ratio.wait), '', 0.5)
  note('dentists’ idle time, proposed against wished times', sure(ratio.idle[1]) / firstOf(ratio.idle), '', 1)
  note('the last visit’s end, beyond what load and path allow', median(over), 'min')
  for (const [chairs, visits] of [
    [8, 32],
    [12, 60],
  ] as const)
    note(
      `propose a day, ${chairs} chairs and ${visits} visits`,
      timed(1, () => proposeDay(dayOf(practice, chairs, visits, 1))),
    )
}

const crowdRuns = 60
const crowdDevices = 200
/** A practice far larger than one: sixty runs at once, two hundred devices on them. */
async function crowd(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'jade-crowd-'))
  const today = new Date().toISOString().slice(0, 10)
  const database = await openDatabase(folder)
  await seedDemo(database.db, Date.now(), 'Etc/UTC')
  const ids = Array.from({ length: crowdRuns }, (_, i) => `${today}-crowd-${i}`)
  for (const id of ids) {
    await database.db.insert(t.patients).values({ id: `patient-${id}`, name: id, alerts: [] })
    await database.db.insert(t.cases).values({
      id: `case-${id}`,
      patientId: `patient-${id}`,
      request: toStore({ kind: 'crown.prepare', teeth: ['37'], restoration: 'monolithic zirconia crown' }),
    })
    await database.db.insert(t.visits).values({
      id,
      caseId: `case-${id}`,
      chairId: 'chair-1',
      day: today,
      startsAt: Date.now(),
      team: { dentist: 'orrell', assistants: ['juno'] },
      visitChoices: {},
      swaps: {},
      facts: toStore({ kind: 'crown.prepare' }),
    })
    await bringTo(database.db, id, { until: 'cutting.margin.37' })
  }
  // One run as long as no visit is.
  const long = firstOf(ids)
  const last = sure(
    firstOf(
      await database.db
        .select({ seq: max(t.runEvents.seq) })
        .from(t.runEvents)
        .where(eq(t.runEvents.visitId, long)),
    ).seq,
  )
  for (let from = last + 1; from <= 5_000; from += 500)
    await database.db.insert(t.runEvents).values(
      Array.from({ length: Math.min(500, 5_001 - from) }, (_, i) => ({
        visitId: long,
        seq: from + i,
        id: `x${from + i}`,
        at: Date.now(),
        by: 'juno',
        device: 'bench',
        commandId: `x${from + i}`,
        what: { kind: 'note.added' as const, text: 'note' },
      })),
    )
  await database.close()
  const live = await server(folder)
  const call = async (method: string, path: string, cookie: string, body?: unknown): Promise<Response> =>
    fetch(`${live.url}/api${path}`, {
      method,
      headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  const cookies = await Promise.all(
    [
      ['juno', '3816'],
      ['orrell', '471108'],
      ['petra', '5064'],
    ].map(async ([personId, code]) =>
      firstOf(sure((await call('POST', '/session', '', { personId, code })).headers.get('set-cookie')).split(';')),
    ),
  )
  const heard = new Map<string, { left: number; done: () => void }>()
  const sockets = await Promise.all(
    Array.from({ length: crowdDevices }, async (_, i) => {
      const socket = new WebSocket(`${live.url.replace('http', 'ws')}/api/live?visit=${ids[i % crowdRuns]}`, {
        headers: { cookie: sure(cookies[i % 3]) },
      })
      socket.on('message', (text: Buffer) => {
        const message: { event: string; data: { events: RunEvent[] } } = JSON.parse(text.toString())
        if (message.event !== 'run') return
        const wait = heard.get(firstOf(message.data.events).commandId)
        if (wait && --wait.left === 0) wait.done()
      })
      await new Promise((resolve) => socket.once('message', resolve))
      return socket
    }),
  )
  const seqOf = new Map<string, number>()
  for (const id of ids)
    seqOf.set(
      id,
      eventsView.parse(await (await call('GET', `/visits/${id}/events?after=0`, firstOf(cookies))).json()).events
        .length,
    )
  const times: number[] = []
  for (let n = 0; n < 300; n++) {
    const k = n % crowdRuns
    const id = sure(ids[k])
    const commandId = `crowd-${n}-of-the-bench`
    const all = new Promise<void>((done) =>
      heard.set(commandId, {
        left: Array.from({ length: crowdDevices }).filter((_, i) => i % crowdRuns === k).length,
        done,
      }),
    )
    const started = performance.now()
    const answer = commandView.parse(
      await (
        await call('POST', `/visits/${id}/commands`, firstOf(cookies), {
          commandId,
          basedOn: sure(seqOf.get(id)),
          device: 'bench',
          command: { kind: 'note', text: `note ${n}` },
        })
      ).json(),
    )
    seqOf.set(id, answer.seq)
    await all
    times.push(performance.now() - started)
  }
  note(
    `event to the others’ screens, ${crowdDevices} devices on ${crowdRuns} runs, 95th percentile`,
    p95(times),
    'ms',
    150,
  )
  note(
    `server memory with ${crowdDevices} devices on ${crowdRuns} runs`,
    Number(sure(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${live.pid}/status`, 'utf8')))[1]) / 1000,
    'MB',
    300,
  )
  const { frozen } = visitView.parse(await (await call('GET', `/visits/${long}`, firstOf(cookies))).json())
  const opens: number[] = []
  for (let i = 0; i < 7; i++) {
    const started = performance.now()
    const { events }: EventsView = await (await call('GET', `/visits/${long}/events?after=0`, firstOf(cookies))).json()
    replay(sure(frozen).plan, events)
    opens.push(performance.now() - started)
  }
  note('a run of 5,000 events, fetched and folded', median(opens), 'ms', 300)
  for (const s of sockets) s.close()
  live.stop()
  rmSync(folder, { recursive: true, force: true })
}

interface Live {
  pid: number
  url: string
  stop: () => void
  folder: string
}
/** As `npm start` starts it. */
const serverFlags: string[] = JSON.parse(readFileSync('scripts/server-flags.json', 'utf8'))
async function server(folder = mkdtempSync(join(tmpdir(), 'jade-bench-'))): Promise<Live> {
  const port = await freePort()
  const child = spawn(process.execPath, [...serverFlags, 'dist/server.js', '--demo'], {
    env: { ...process.env, JADE_DATA: folder, PORT: String(port), DATABASE_URL: '', TZ: 'Etc/UTC' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((resolve) =>
    child.stdout.on('data', (chunk: Buffer) => chunk.toString().includes('Jade Tray is at') && resolve()),
  )
  return { pid: sure(child.pid), url: `http://127.0.0.1:${port}`, folder, stop: () => child.kill('SIGTERM') }
}

/** Time from sending a command until another device's socket has the event. */
async function secondScreen({ url }: Live, visitId: string): Promise<void> {
  const call = async (method: string, path: string, cookie: string, body?: unknown): Promise<Response> =>
    fetch(`${url}/api${path}`, {
      method,
      headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  const cookie = firstOf(
    sure((await call('POST', '/session', '', { personId: 'juno', code: '3816' })).headers.get('set-cookie')).split(';'),
  )
  const { request } = visitView.parse(await (await call('GET', `/visits/${visitId}`, cookie)).json())
  const plan = compile(request, practiceSchema.parse(await (await call('GET', '/practice', cookie)).json()))
  await call('PUT', `/visits/${visitId}/tray`, cookie, { lineIds: checkable(plan).map((l) => l.id), done: true })
  await call('POST', `/visits/${visitId}/tray/sign`, cookie, {
    acknowledged: trayReadiness(plan, new Set()).toAcknowledge.map((a) => a.id),
  })
  const socket = new WebSocket(`${url.replace('http', 'ws')}/api/live?visit=${visitId}`, { headers: { cookie } })
  const arrived = new Map<number, (at: number) => void>()
  socket.on('message', (text: Buffer) => {
    const message: { event: string; data: { events: RunEvent[] } } = JSON.parse(text.toString())
    if (message.event === 'run') for (const e of message.data.events) arrived.get(e.seq)?.(performance.now())
  })
  await new Promise((resolve) => socket.once('message', resolve))
  const times: number[] = []
  for (let seq = 0; seq < 300; seq++) {
    const seen = new Promise<number>((resolve) => arrived.set(seq + 1, resolve))
    const started = performance.now()
    const answer = await call('POST', `/visits/${visitId}/commands`, cookie, {
      commandId: `bench-${seq}-${started}`,
      basedOn: seq,
      device: 'bench',
      command: seq === 0 ? { kind: 'begin' } : { kind: 'note', text: `note ${seq}` },
    })
    await answer.text()
    times.push((await seen) - started)
  }
  socket.close()
  note('event to the other screen, median of 300', median(times))
  note('event to the other screen, 95th percentile', p95(times), 'ms', 100)
}

/** Time until the frame after an act has been painted, in the page itself. */
async function painted(screen: Screen, act: string, until: string): Promise<number> {
  return screen.driver.executeAsyncScript<number>(`
    const done = arguments[arguments.length - 1]; const started = performance.now();
    const look = () => (${until}) ? requestAnimationFrame(() => done(performance.now() - started)) : requestAnimationFrame(look);
    ${act}; requestAnimationFrame(look)`)
}

async function browser({ url }: Live, day: string): Promise<void> {
  const screen = await Screen.open(url)
  try {
    await screen.signIn('Juno Abara', '3816')
    const paints: number[] = []
    for (let i = 0; i < 7; i++) {
      await screen.go('/')
      await screen.find('[data-visit]')
      paints.push(
        await screen.driver.executeScript<number>(
          'return performance.getEntriesByName("first-contentful-paint")[0].startTime',
        ),
      )
    }
    note('first paint of the Day screen', median(paints))
    await screen.go(`/visits/${day}-two/case`)
    await screen.find('[data-question]')
    const changes: number[] = []
    for (let i = 0; i < 12; i++) {
      const [label, from] = i % 2 === 0 ? ['Double', 'this visit'] : ['Single', 'this visit']
      changes.push(
        await painted(
          screen,
          `[...document.querySelectorAll('[data-question=cord] button')].find((b) => b.textContent.startsWith('${label}')).click()`,
          `document.querySelector('[data-question=cord] [data-state=on]')?.textContent.startsWith('${label}') && document.querySelector('[data-question=cord]').textContent.includes('${from}')`,
        ),
      )
    }
    note('a changed choice on the Case screen, until painted', median(changes), 'ms', 100)
    await screen.go(`/visits/${day}-one/chairside`)
    await screen.find('[data-status=running]')
    const nexts: number[] = []
    for (let i = 0; i < 8; i++) {
      nexts.push(
        await painted(
          screen,
          'window.__seq = document.querySelector("[data-seq]").dataset.seq; document.querySelector("[data-next]").click()',
          'document.querySelector("[data-seq]").dataset.seq !== window.__seq',
        ),
      )
      nexts.push(
        await painted(
          screen,
          'window.__seq = document.querySelector("[data-seq]").dataset.seq; [...document.querySelectorAll("button")].find((b) => b.textContent.includes("Undo")).click()',
          'document.querySelector("[data-seq]").dataset.seq !== window.__seq',
        ),
      )
    }
    note('chairside "next", stored and painted', median(nexts), 'ms', 100)
  } finally {
    await screen.close()
  }
}

note('calibration loop', timed(60, calibration))
core()
pictures(timed, note)
note('JavaScript of the first screen, compressed', firstScreenBytes() / 1000, 'kB', 200)
const live = await server()
const day = new Date().toISOString().slice(0, 10)
try {
  await secondScreen(live, `${day}-one`)
  await browser(live, day)
} finally {
  live.stop()
  rmSync(live.folder, { recursive: true, force: true })
}
await crowd()
if (process.argv.includes('--write')) {
  const unit = firstOf(rows).value
  writeFileSync(
    'docs/bench.md',
    `# Last figures of \`npm run bench\`\n\nMeasured on ${new Date().toISOString().slice(0, 10)}, Node ${process.version}, ${cpus().length} cores (${firstOf(cpus()).model.trim()}). Medians unless said otherwise. The calibration loop is a fixed piece of arithmetic and sorting; the last column is the figure in units of it, which is what compares between machines.\n\n| what | figure | aim | in calibration loops |\n| --- | --- | --- | --- |\n${rows.map((r) => `| ${r.what} | ${r.value.toFixed(r.value < 10 ? 2 : 0)} ${r.unit} | ${r.aim === undefined ? '' : `under ${r.aim} ${r.unit}${r.value < r.aim ? '' : ' (missed)'}`} | ${r.unit === 'ms' ? (r.value / unit).toFixed(2) : ''} |`).join('\n')}\n`,
  )
}
process.exit(0)
