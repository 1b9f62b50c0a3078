/** The tray equals the text, in the browser: the safe gloves and why, an exchange that changes the sentence at the chair, an amendment whose thing lies nowhere. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { DemoVisit } from '../demo/practice'
import { addVisit } from '../demo/seed'
import { Screen } from './screen'
import { day, serve, type Served } from './serve'
import { layUpAndSign, pedal, Team } from './team'

const team = { dentist: 'varen', assistants: ['bram'] }
const visit = (key: string, chairId: string, request: DemoVisit['request']): DemoVisit => ({
  key,
  time: '09:00',
  chairId,
  patient: `Patient ${key}`,
  alerts: [],
  team,
  request,
})

let server: Served
let assistant: Screen
let dentist: Screen
beforeAll(async () => {
  server = await serve({
    prepare: async (db) => {
      await addVisit(db, visit('gloves', 'chair-2', { kind: 'crown.prepare', teeth: ['26'] }), day, 'Etc/UTC')
      await addVisit(db, visit('band', 'chair-3', { kind: 'filling.bulk', teeth: ['26'] }), day, 'Etc/UTC')
    },
  })
  assistant = await Screen.open(server.url)
  dentist = await Screen.open(server.url)
  await assistant.enter('bram')
  await dentist.enter('varen')
})
afterAll(async () => {
  await assistant?.close()
  await dentist?.close()
  await server?.stop()
})

describe('the safe thing', () => {
  it('nitrile gloves lie there for addition silicone, and touching them says why; latex is what could lie there, and what it costs', async () => {
    await assistant.go(`/visits/${day}-gloves/tray`)
    await assistant.click('[data-line="gloves-nitrile"]')
    await assistant.says('Laid out instead of Examination gloves, latex: latex stops addition silicone from setting')
    await assistant.says('Instead: Examination gloves, latex')
    expect(await assistant.text()).not.toContain('Examination gloves, latex with addition silicone')
    // Exchanged back by hand it is a clash; taken back it is gone.
    await assistant.press('Instead: Examination gloves, latex')
    await assistant.says('Examination gloves, latex with addition silicone')
    expect(await assistant.errors()).toEqual([])
  })
})

describe('an exchange', () => {
  it('changes the sentence at the chair: the band is called what lies there', async () => {
    await assistant.go(`/visits/${day}-band/tray`)
    await assistant.find('[role=tab]')
    await (await assistant.driver.findElement({ xpath: '//*[@role="tab"][contains(., "Restoring")]' })).click()
    await assistant.click('[data-line="band-sectional"]')
    await assistant.press('Instead: Matrix band, circumferential')
    await assistant.find('[data-line="band-straight"]')
    await layUpAndSign(assistant)
    await dentist.go(`/visits/${day}-band/chairside`)
    await dentist.says('Ready to begin')
    await pedal(assistant, 'b')
    const helped: string[] = []
    await new Team(server, assistant, dentist, '771194').runOn('filling.26.matrix', async () => {
      for (const help of await assistant.driver.findElements({ css: '[data-help]' })) helped.push(await help.getText())
    })
    await assistant.says('Circumferential matrix band mesial')
    expect(await assistant.text()).not.toMatch(/sectional band/i)
    // What the other pair of hands does stood beside the dentist’s steps.
    expect(helped).toContain('Bram Oduya: suction at the bur, keeps tongue and cheek away')
    for (const screen of [assistant, dentist]) expect(await screen.errors()).toEqual([])
  })
})

describe('an amendment', () => {
  it('is refused where its thing is on no tray, before it is sent; with words that name nothing it may be', async () => {
    await dentist.go('/library/filling.bulk')
    await dentist.click('[data-step="arrival.seat"] button')
    const title = await dentist.find('input[name=title]')
    await title.sendKeys('Bite on the haemostat')
    await (await dentist.find('input[name=why]')).sendKeys('as we do it here')
    await dentist.says('names haemostat, and no step lays it out')
    const add = await dentist.driver.findElement({ xpath: '//button[normalize-space(.)="Amend"]' })
    expect(await add.isEnabled()).toBe(false)
    await dentist.driver.executeScript('arguments[0].select()', title)
    await title.sendKeys('Ask how the week was')
    await dentist.says('on every plan of this kind that is not signed yet')
    expect(await dentist.errors()).toEqual([])
  })
})
