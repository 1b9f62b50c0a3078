/** The trail: stored with what it tells or not at all, searched, taken away; and time told truly, where a touch waited. */
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { bringTo } from '../demo/bring'
import { edgeOf, replay, stepState } from '../core/run/state'
import { auditView, practiceView } from '../wire/settings'
import { eventsView } from '../wire/run'
import { recordView, visitView } from '../wire/visit'
import { loadEvents } from './db/store'
import { Caller, command, day, eventsIn, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let orrell: Caller
let juno: Caller
beforeAll(async () => {
  house = await openHouse()
  orrell = await new Caller(house.app).signIn('orrell', '471108')
  juno = await new Caller(house.app).signIn('juno', '3816')
})
afterAll(() => house.close())
const search = (query: string) => orrell.read(auditView, `/audit?${query}`).then((v) => v.rows)

it('a change whose row cannot be written is not stored, and nobody is told of it', async () => {
  const { db } = house.database
  const before = (await orrell.read(practiceView, '/practice')).laboratoryDays
  await db.execute(sql`alter table audit add constraint full_disk check (what <> 'PATCH /practice') not valid`)
  const refused = await orrell.call('PATCH', '/practice', { laboratoryDays: before + 1 })
  expect([refused.status, refused.body['detail']]).toEqual([500, expect.stringContaining('nothing was stored')])
  expect((await orrell.read(practiceView, '/practice')).laboratoryDays).toBe(before)
  await db.execute(sql`alter table audit drop constraint full_disk`)
  expect((await orrell.call('PATCH', '/practice', { laboratoryDays: before + 1 })).status).toBe(200)
  expect((await search('limit=1'))[0]).toMatchObject({ what: 'PATCH /practice', by: 'orrell' })
})

it('whatever text is sent, a change is stored with its row or refused with neither', async () => {
  const odd = ['\u0000', '\uD83D', 'a\uDE00b', '’\u2028', '𝔍'.repeat(20), '\\u0000', '[' + '['.repeat(50)]
  for (const name of odd) {
    const was = (await search('limit=1'))[0]?.id ?? 0
    const { status } = await orrell.call('PATCH', '/practice', { name: `Practice ${name}` })
    expect([200, 400, 422], JSON.stringify(name)).toContain(status)
    const now = (await search('limit=1'))[0]?.id ?? 0
    expect(now > was, JSON.stringify(name)).toBe(status === 200)
  }
  // A body where none is taken is not looked at, and not told.
  const deep = await house.app.inject({
    method: 'POST',
    url: '/api/people/juno/unlock',
    headers: { cookie: orrell.cookie, 'content-type': 'application/json' },
    payload: `${'['.repeat(5_000)}${']'.repeat(5_000)}`,
  })
  expect(deep.statusCode).toBe(200)
  expect((await search('limit=1'))[0]).toMatchObject({ what: 'POST /people/:personId/unlock', asked: null })
})

it('is searched by words, person and days, in pages, and taken away as a table', async () => {
  await juno.signTray(`${day}-three`)
  expect(await search('q=tray/sign&by=juno')).toEqual([
    expect.objectContaining({ what: 'POST /visits/:visitId/tray/sign', target: `${day}-three` }),
  ])
  expect(await search('q=100%25_')).toEqual([])
  expect(await search(`to=${new Date(house.clock.now - 2 * 86_400_000).toISOString().slice(0, 10)}`)).toEqual([])
  expect((await search(`from=${day}&to=${day}`)).length).toBeGreaterThan(3)
  const [newest, next] = await search('limit=2')
  expect(await search(`limit=1&before=${newest!.id}`)).toEqual([next])
  const csv = await orrell.call('GET', '/audit.csv?by=juno')
  expect([csv.status, csv.type]).toEqual([200, 'text/csv; charset=utf-8'])
  expect((await juno.call('GET', '/audit.csv')).status).toBe(403)
})

it('what waited is stored with when it was heard, and the note says so', async () => {
  const id = `${day}-three`
  await juno.call('POST', `/visits/${id}/commands`, command(0, { kind: 'begin' }))
  house.clock.now += 600_000
  const late = await juno.call(
    'POST',
    `/visits/${id}/commands`,
    command(1, { kind: 'note', text: 'dry' }, { waitedS: 300 }),
  )
  expect(eventsIn(late.body)[0]).toMatchObject({ at: house.clock.now - 300_000, receivedAt: house.clock.now })
  const { note } = await juno.read(recordView, `/visits/${id}/record`)
  expect(note.sections.find((s) => s.title === 'Heard later')?.sentences).toEqual([
    expect.stringMatching(
      /^1 touch of \d\d:\d\d, by Juno Abara \(not of this visit’s team\), heard by the server at \d\d:\d\d/,
    ),
  ])
})

it('a window kept by the device’s clock and missed by the server’s is put to the dentist', async () => {
  const { db } = house.database
  const id = `${day}-one`
  const plan = await bringTo(db, id, { until: 'impression.seat', start: true }, house.clock.now)
  const events = await loadEvents(db, id)
  const { core } = replay(plan, events)
  // A window that is open now, and what ends it.
  const open = plan.links.flatMap((l) => {
    if (l.kind !== 'window') return []
    const from = edgeOf(stepState(core, l.from), l.fromEdge)
    const to = edgeOf(stepState(core, l.to), l.toEdge)
    return from !== undefined && to === undefined && l.toEdge === 'finish' ? [{ link: l, from }] : []
  })
  const { link, from } = open[0]!
  const seq = events.length
  const missed = from + link.atMostS * 1000 + 60_000
  house.clock.now = Math.max(missed, house.clock.now)
  const finish = { kind: 'advance', finish: link.to }
  const waitedS = Math.ceil((house.clock.now - events.at(-1)!.at) / 1000) - 1
  const answer = await juno.call('POST', `/visits/${id}/commands`, command(seq, finish, { waitedS }))
  expect([answer.status, Object(answer.body['refusal'])['code']]).toEqual([409, 'window-missed'])
  expect(answer.body['detail']).toMatch(
    /By its device it was touched in time, .* before it was heard here; the dentist says which counts/,
  )
})

it('a closed record takes what is added later with name and time, and nothing else; what stands in it does not change', async () => {
  const id = `${day}-eight`
  await bringTo(house.database.db, id, {}, house.clock.now)
  const before = await juno.read(recordView, `/visits/${id}/record`)
  const { events } = await juno.read(eventsView, `/visits/${id}/events`)
  const write = (kind: string) =>
    juno.call(
      'POST',
      `/visits/${id}/commands`,
      command(events.length, { kind, text: 'the shade was read by daylight' }),
    )
  expect((await write('note')).body).toMatchObject({ refusal: { code: 'closed' } })
  expect((await write('addend')).status).toBe(200)
  const after = await juno.read(recordView, `/visits/${id}/record`)
  expect(after.closedAt).toBe(before.closedAt)
  expect(after.note.sections.slice(0, -1)).toEqual(before.note.sections)
  expect(after.note.sections.at(-1)).toEqual({
    title: 'Added after the visit was closed',
    sentences: [expect.stringMatching(new RegExp(`^${day} \\d\\d:\\d\\d Juno Abara: the shade was read by daylight$`))],
  })
  const { stage } = await juno.read(visitView, `/visits/${id}`)
  expect(stage).toBe('closed')
})
