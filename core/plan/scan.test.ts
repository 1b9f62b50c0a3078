import { describe, expect, it } from 'vitest'
import { starterPractice } from '../practice/starter'
import { readScan } from '../formats/gs1'
import { compile } from './compile'
import { visitRequest } from '../model/request'
import { answerScan } from './scan'

const gtin = '09506000134352'
const practice = starterPractice()
const items = practice.items.map((i) =>
  i.id === 'bis-acryl' ? { ...i, codes: [gtin] } : i.id === 'mirror' ? { ...i, codes: ['TRAY-12'] } : i,
)
const plan = compile(
  visitRequest.parse({
    kind: 'crown.prepare',
    date: '2026-11-24',
    teeth: ['36'],
    team: { dentist: 'dentist', assistants: ['assistant'] },
  }),
  { ...practice, items },
)
const scan = (text: string) => {
  const read = readScan(text, 2026)
  if ('error' in read) throw new Error(read.error)
  return answerScan(read, plan, items, '2026-11-24')
}

describe('a scan at the tray', () => {
  it('checks the place off, by product number, own label or item id', () => {
    expect([scan(`(01)${gtin}`), scan('TRAY-12'), scan('explorer')]).toEqual([
      { lineId: 'bis-acryl' },
      { lineId: 'mirror' },
      { lineId: 'explorer' },
    ])
  })
  it('never checks off what has expired; the last day is still good', () => {
    expect(scan(`(01)${gtin}(17)261123`)).toEqual({ refused: expect.stringContaining('expired on 2026-11-23') })
    expect(scan(`(01)${gtin}(17)261124(10)S-bis-acryl`)).toEqual({ lineId: 'bis-acryl' })
  })
  it('says another lot, what is not on this tray, what could lie there instead, and what nobody knows', () => {
    expect(scan(`(01)${gtin}(10)B-9`)).toMatchObject({
      lineId: 'bis-acryl',
      says: expect.stringContaining('lot B-9 instead of S-bis-acryl'),
    })
    expect(scan('scanner')).toEqual({ refused: 'Intra-oral scanner is not on this tray' })
    expect(scan('gloves-latex')).toEqual({ refused: expect.stringContaining('instead of Examination gloves, nitrile') })
    expect(scan('whatever')).toEqual({ refused: expect.stringContaining('on no item') })
  })
})
