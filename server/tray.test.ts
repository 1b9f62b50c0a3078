/** What keeps a tray from being signed: what only a dentist answers, and cassettes nobody has let out as sterile. */
import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { compile } from '../core/plan/compile'
import { checkable, trayReadiness } from '../core/plan/ready'
import { practice } from '../core/practice/practice'
import { auditView } from '../wire/settings'
import { visitView } from '../wire/visit'
import * as t from './db/schema'
import { Caller, day, openHouse, type TestHouse } from './test/house'

let house: TestHouse
let juno: Caller
let orrell: Caller
beforeAll(async () => {
  house = await openHouse()
  juno = await new Caller(house.app).signIn('juno', '3816')
  orrell = await new Caller(house.app).signIn('orrell', '471108')
})
afterAll(() => house.close())

/** Lays everything of a visit out. @returns what there is to read before signing, and what of it is the dentist's */
async function laidOut(id: string) {
  const { request, toLay } = await juno.read(visitView, `/visits/${id}`)
  const plan = compile(request, await juno.read(practice, '/practice'))
  await juno.call('PUT', `/visits/${id}/tray`, { lineIds: checkable(plan).map((l) => l.id), done: true })
  const { toAcknowledge, forDentist } = trayReadiness(plan, new Set())
  return {
    acknowledged: toAcknowledge.map((a) => a.id),
    cassettes: toLay.map((own) => own[0]!.id),
    forDentist: forDentist.map((a) => a.id),
  }
}

it('a clash that is the dentist’s to decide is answered with the dentist’s code, never ticked away', async () => {
  const id = `${day}-four`
  const { acknowledged, forDentist, cassettes } = await laidOut(id)
  expect(forDentist).toContain('clash:adrenaline-cord')
  const sign = (by: Caller, signer?: object) =>
    by.call('POST', `/visits/${id}/tray/sign`, { acknowledged, cassettes, ...(signer ? { signer } : {}) })
  expect((await sign(juno)).body).toMatchObject({ status: 403, type: '/problems/dentist-answers' })
  // Not by an assistant's own code, not by a dentist's open screen, not by a guess.
  expect((await sign(juno, { personId: 'juno', code: '3816' })).status).toBe(403)
  expect((await sign(orrell)).status).toBe(403)
  expect((await sign(juno, { personId: 'orrell', code: '9182' })).status).toBe(401)
  expect((await juno.read(visitView, `/visits/${id}`)).frozen).toBeNull()
  expect((await sign(juno, { personId: 'orrell', code: '471108' })).status).toBe(200)
  const [plan] = await house.database.db.select().from(t.plans).where(eq(t.plans.visitId, id))
  expect(plan).toMatchObject({ signedBy: 'juno', answeredBy: 'orrell' })
  const { rows } = await orrell.read(auditView, '/audit?limit=5')
  expect(rows[0]).toMatchObject({
    by: 'juno',
    target: id,
    asked: { signer: { personId: 'orrell', code: '(left out)' } },
  })
  expect(rows[1]).toMatchObject({ what: 'refused signature', target: 'orrell' })
})

it('no tray is signed on a cassette that is pulled back, not released or not there', async () => {
  const id = `${day}-one`
  const { acknowledged, cassettes } = await laidOut(id)
  const before = await house.database.db.select().from(t.loads)
  await house.database.db.update(t.loads).set({ failedAt: house.clock.now, failedBy: 'wim', failedWhy: 'indicator' })
  const refused = await juno.call('POST', `/visits/${id}/tray/sign`, { acknowledged })
  expect([refused.status, refused.body['type']]).toEqual([409, '/problems/none-sterile'])
  expect(refused.body['missing']).toContain('No sterile crown cassette is in the cupboard.')
  expect((await juno.read(visitView, `/visits/${id}`)).frozen).toBeNull()
  for (const { id: load, failedAt, failedBy, failedWhy } of before)
    await house.database.db.update(t.loads).set({ failedAt, failedBy, failedWhy }).where(eq(t.loads.id, load))
  expect((await juno.call('POST', `/visits/${id}/tray/sign`, { acknowledged, cassettes })).status).toBe(200)
})
