/** One practice on a server of its own: how soon another screen knows, how soon this one shows. */
import { firstOf, sure } from '../core/sure'
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { WebSocket } from 'ws'
import { compile } from '../core/plan/compile'
import { checkable, trayReadiness } from '../core/plan/ready'
import type { RunEvent } from '../core/run/events'
import { Screen } from '../e2e/screen'
import { freePort } from '../e2e/serve'
import { practice as practiceSchema } from '../core/practice/practice'
import { visitView } from '../wire/visit'
import { median, note, p95 } from './bench-measure'

export interface Live {
  pid: number
  url: string
  stop: () => void
  folder: string
}
/** As `npm start` starts it. */
const serverFlags: string[] = JSON.parse(readFileSync('scripts/server-flags.json', 'utf8'))
export async function server(folder = mkdtempSync(join(tmpdir(), 'jade-bench-'))): Promise<Live> {
  const port = await freePort()
  const child = spawn(process.execPath, [...serverFlags, 'dist/demo.js'], {
    env: { ...process.env, JADE_DATA: folder, PORT: String(port), DATABASE_URL: '', TZ: 'Etc/UTC' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((resolve) =>
    child.stdout.on('data', (chunk: Buffer) => chunk.toString().includes('Jade Tray is at') && resolve()),
  )
  return { pid: sure(child.pid), url: `http://127.0.0.1:${port}`, folder, stop: () => child.kill('SIGTERM') }
}

export type Call = (method: string, path: string, cookie: string, body?: unknown) => Promise<Response>
/** Asks a server as a device with this sign-in would. */
export const callsTo =
  (url: string): Call =>
  (method, path, cookie, body) =>
    fetch(`${url}/api${path}`, {
      method,
      headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })

/** Time from sending a command until another device's socket has the event. */
export async function secondScreen({ url }: Live, visitId: string): Promise<void> {
  const call = callsTo(url)
  const cookie = firstOf(
    sure((await call('POST', '/session', '', { personId: 'juno', code: '3816' })).headers.get('set-cookie')).split(';'),
  )
  const { request, toLay } = visitView.parse(await (await call('GET', `/visits/${visitId}`, cookie)).json())
  const plan = compile(request, practiceSchema.parse(await (await call('GET', '/practice', cookie)).json()))
  await call('PUT', `/visits/${visitId}/tray`, cookie, { lineIds: checkable(plan).map((l) => l.id), done: true })
  await call('POST', `/visits/${visitId}/tray/sign`, cookie, {
    acknowledged: trayReadiness(plan, new Set()).toAcknowledge.map((a) => a.id),
    cassettes: toLay.flatMap((own) => own[0]?.id ?? []),
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

export async function browser({ url }: Live, day: string): Promise<void> {
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
      await screen.seen()
      nexts.push(
        await painted(
          screen,
          'window.__seq = document.querySelector("[data-seq]").dataset.seq; document.querySelector("[data-next]").click()',
          'document.querySelector("[data-seq]").dataset.seq !== window.__seq',
        ),
      )
      await screen.seen()
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
