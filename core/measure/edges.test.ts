/** The edges of what is measured, and the sums that are read out beside a figure: see docs/decisions/003. */
import { expect, it } from 'vitest'
import { boxCordLength } from './cord'
import { cartridgeMg, ceilingMg, ledgerShare } from './anaesthetic'
import { ellipsePerimeter } from './ellipse'
import { dilution, judgeAlginate, judgeBase } from './mixes'
import { bandHeight, mostTintG, postSpace, retainerCure } from './restoring'

it('the sum beside a figure is the sum that made it', () => {
  expect(postSpace(15, 5).figure.text).toBe(
    'half to two thirds of 15 mm is 7.5–10 mm; 15 − 5 mm of seal leaves 10 mm: 7.5–10 mm',
  )
  expect(postSpace(12, 5).figure.text).toBe(
    'half to two thirds of 12 mm is 6–8 mm; 12 − 5 mm of seal leaves 7 mm: 6–7 mm, the seal decides',
  )
  expect(mostTintG(0.4).text).toBe('25 % of the whole mix: 0.4 g × 25 ÷ 75 = 0.133 g')
  expect(retainerCure(1).text).toBe('1 retainer × 2 sides × 60 s = 120 s')
  expect(retainerCure(2).text).toBe('2 retainers × 2 sides × 60 s = 240 s')
  expect(bandHeight(3).text).toBe('deepest reading 3 mm (inside 3) + 1 mm over the ridge = 4 mm')
  expect(bandHeight(3, 4.5).text).toBe('deepest reading 4.5 mm (inside 3, outside 4.5) + 1 mm over the ridge = 5.5 mm')
  expect(dilution(5, 0.5, 10)).toMatchObject({
    stock: { value: 1, text: '0.5 % × 10 mL ÷ 5 % = 1 mL' },
    water: { value: 9, unit: 'mL', text: '10 − 1 mL' },
  })
  expect(cartridgeMg('lidocaine with adrenaline').text).toMatch(/^2 % is 20 mg\/mL; × 1\.8 mL = 36 mg/)
  expect(ceilingMg('lidocaine with adrenaline', 20, 'children')!.text).toMatch(
    /^4\.4 mg\/kg × 20 kg = 88 mg.*; that is at most 2\.4 cartridges of 36 mg\./,
  )
  // One that is not in the table leaves the sum unsaid, whatever else was given.
  const half = [{ agent: 'lidocaine with adrenaline', cartridges: 1 }] as const
  expect(ledgerShare(half, 20, 'children')!.text).toMatch(/^lidocaine with adrenaline 36 of 88 mg = 0\.41 of 1/)
})

it('nothing is worked out of nothing', () => {
  const nothings: [number, number, number][] = [
    [0, 1, 1],
    [1, 0, 1],
    [1, 1, 0],
    [NaN, 1, 1],
  ]
  for (const three of nothings) expect(() => dilution(...three), three.join()).toThrow('above 0')
  expect(() => dilution(1, 2, 10)).toThrow('cannot be made')
  expect(dilution(2, 2, 10).water.value).toBe(0)
  expect(() => boxCordLength(0)).toThrow('above 0 mm')
  expect(boxCordLength(4).value).toBeGreaterThan(4)
  expect(() => ellipsePerimeter(1, 0)).toThrow(RangeError)
  expect(() => ellipsePerimeter(0, 1)).toThrow(RangeError)
  expect(() => ceilingMg('lidocaine with adrenaline', 0, 'children')).toThrow('above 0 kg')
})

it('a mix is judged the way it is off, and not at the edge of what is as it should be', () => {
  // Ten scoops ask for 170 mL; a tenth either way is as it should be (our estimate).
  expect(judgeAlginate(10, 187).says.text).toMatch(/as it should be/)
  expect(judgeAlginate(10, 153).says.text).toMatch(/as it should be/)
  expect(judgeAlginate(10, 189).says.text).toMatch(/^11 % too much water/)
  expect(judgeAlginate(10, 151).says.text).toMatch(/^11 % too little water/)
  expect(judgeAlginate(10, 170).water).toMatchObject({
    value: 170,
    text: '10 scoops of 7 g × 17 mL = 170 mL',
    standing: 'M',
  })
  expect(judgeBase(2, 2).text).toMatch(/as it should be/)
  expect(judgeBase(3, 2).text).toMatch(/dry/)
  expect(judgeBase(2, 3).text).toMatch(/wet/)
})
