import { describe, expect, it } from 'vitest'
import { dimensions } from '../teeth/dimensions'
import { isAnterior } from '../teeth/arch'
import { allTeeth, jawOf, parts, toTooth } from '../teeth/notation'
import { alginate, bisAcryl, injectionWindow, lightBody, trayMaterial } from './amounts'
import { boxCordLength, cordLength, cordPieces, cordSize, cordSizes, smallerCord, type CordLayer } from './cord'
import { ellipsePerimeter } from './ellipse'
import { reductionTargets } from './reduction'

/** Arc length of the ellipse by Simpson's rule: the mathematics itself, not the approximation under test. */
function perimeterByIntegral(axisA: number, axisB: number): number {
  const [a, b] = [axisA / 2, axisB / 2]
  const n = 20_000
  const h = Math.PI / 2 / n
  const f = (i: number) => Math.hypot(a * Math.sin(i * h), b * Math.cos(i * h))
  let sum = f(0) + f(n)
  for (let i = 1; i < n; i++) sum += f(i) * (i % 2 === 1 ? 4 : 2)
  return (4 * sum * h) / 3
}

const cervix = (code: string) => {
  const d = dimensions(toTooth(code))
  return { mesiodistalMm: d.cervicalMesiodistalMm, labiolingualMm: d.cervicalLabiolingualMm }
}

describe('perimeter of the cervix', () => {
  it('agrees with numeric integration to 1e-6 over every cervix in the table (mathematics)', () => {
    expect(ellipsePerimeter(7, 6)).toBeCloseTo(20.45, 2)
    for (const code of ['11', '12', '13', '14', '16', '17', '31', '33', '36', '37']) {
      const { mesiodistalMm: a, labiolingualMm: b } = cervix(code)
      expect(Math.abs(ellipsePerimeter(a, b) - perimeterByIntegral(a, b))).toBeLessThan(1e-6)
    }
    expect(() => ellipsePerimeter(0, 6)).toThrow(RangeError)
  })
})

describe('cord', () => {
  // C: the trade cuts about 25 mm for a veneer cord on an upper central incisor.
  it('veneer cord for 11 is 24–26 mm', () => {
    const { value } = cordLength(cervix('11'), 'labial and proximal', 'single')
    expect(value).toBeGreaterThanOrEqual(24)
    expect(value).toBeLessThanOrEqual(26)
  })

  // C: full crown: once round, 2 mm overlap for a base cord, 6 mm tail for a top cord.
  it('goes once round a crown with overlap or tail, and takes a measured perimeter instead of the mean', () => {
    const round = ellipsePerimeter(8, 9)
    expect(cordLength(cervix('37'), 'full crown', 'base').value).toBeCloseTo(round + 2, 1)
    expect(cordLength(cervix('37'), 'full crown', 'top').value).toBeCloseTo(round + 6, 1)
    expect(cordLength({ measuredPerimeterMm: 30 }, 'full crown', 'base').value).toBe(32)
  })

  // C: one two-surface and one three-surface inlay have three boxes: three base and three top pieces.
  it('counts pieces as sites times layers, and boxes with 4 mm each side', () => {
    expect(cordPieces(3, 2)).toBe(6)
    expect(boxCordLength(4).value).toBe(12)
  })

  // C: nothing of the back teeth's 0, 2 and 1 goes round an incisor or canine; a lower incisor takes the finest.
  it('A3 front teeth take finer cord than back teeth, in every layer, tissue and crevice', () => {
    const at = (size: string): number => cordSizes.findIndex((x) => x === size)
    for (const biotype of ['thin', 'thick'] as const)
      for (const probingDepthMm of [1, 2, 4])
        for (const crevice of ['narrow', 'normal', 'wide'] as const)
          for (const t of allTeeth) {
            const of = (layer: CordLayer, tooth = t) =>
              at(cordSize(layer, { biotype, probingDepthMm, crevice }, tooth).size)
            if (!isAnterior(t)) continue
            const wide = crevice === 'wide'
            const most =
              jawOf(t) === 'lower' && parts(t).position <= 2
                ? { base: '000', top: '0', single: '00' }
                : { base: '00', top: wide ? '2' : '1', single: wide ? '1' : '0' }
            for (const layer of ['base', 'top', 'single'] as const) {
              expect(of(layer), `${t} ${layer}`).toBeLessThanOrEqual(at(most[layer]))
              expect(of(layer), `${t} ${layer}`).toBeLessThanOrEqual(of(layer, toTooth('36')))
            }
          }
  })

  // C: base 0, 00 where shallow or thin; top 2, 1 narrow, 3 wide; blanching means one smaller.
  it('picks sizes by layer, depth, tissue and crevice', () => {
    const thick = { probingDepthMm: 2, biotype: 'thick', crevice: 'normal' } as const
    expect(cordSize('base', thick, toTooth('36')).size).toBe('0')
    expect(cordSize('base', { ...thick, biotype: 'thin' }, toTooth('36')).size).toBe('00')
    expect(cordSize('base', { ...thick, probingDepthMm: 1 }, toTooth('36')).size).toBe('00')
    expect(cordSize('top', thick, toTooth('36')).size).toBe('2')
    expect(cordSize('top', { ...thick, crevice: 'narrow' }, toTooth('36')).size).toBe('1')
    expect(cordSize('top', { ...thick, crevice: 'wide' }, toTooth('36')).size).toBe('3')
    expect(smallerCord('0')).toBe('00')
    expect(smallerCord('000')).toBeNull()
  })
})

describe('amounts', () => {
  it('adds light body by unit, purge and tip (starting values)', () => {
    expect(lightBody('crown', 1).value).toBeCloseTo(0.8 + 0.5 + 1.2, 5)
    expect(lightBody('crown', 2).value - lightBody('crown', 1).value).toBeCloseTo(0.8, 5)
    expect(trayMaterial('sectional').value).toBeCloseTo(17.5 + 1.2, 5)
  })

  // M: 7 g and 17 mL a scoop, 2 scoops lower, 3 upper.
  it('weighs alginate by jaw', () => {
    expect(alginate('lower').powder.value).toBe(14)
    expect(alginate('lower').water.value).toBe(34)
    expect(alginate('upper').powder.value).toBe(21)
  })

  // C: crown volume less prepared tooth plus 40 %; floor 1.0 mL a unit. Worked by hand for a big tooth.
  it('keeps the floor of bis-acryl and exceeds it only where the volume does', () => {
    const small = bisAcryl([{ size: dimensions(toTooth('31')), axialMm: 1, occlusalMm: 1.5 }])
    expect(small.value).toBeCloseTo(2.2, 5)
    const giant = { ...dimensions(toTooth('36')), mesiodistalMm: 20, labiolingualMm: 20, crownLengthMm: 10 }
    // (20·20·10 − 18·18·8)·0.65/1000·1.4 = 1.281 mL, + 1.2 in the tip.
    expect(bisAcryl([{ size: giant, axialMm: 1, occlusalMm: 2 }]).value).toBeCloseTo(2.5, 5)
  })

  // C: five crowns at 20 s do not fit a 75 s window; one does.
  it('says whether injection and seating fit the working time', () => {
    expect(injectionWindow('crown', 1, 75)).toMatchObject({ fits: true, injectionS: 25, trayStartS: 0 })
    expect(injectionWindow('crown', 5, 75).fits).toBe(false)
    expect(injectionWindow('crown', 5, 135).fits).toBe(true)
    expect(injectionWindow('crown', 5, 135).trayStartS).toBe(75)
  })
})

describe('reduction targets', () => {
  // C: full metal crown 1.5 on the functional cusp, 1.0 on the other, chamfer 0.3–0.5.
  it('are larger on the functional cusp for every restoration', () => {
    expect(reductionTargets('full metal crown')).toMatchObject({
      functionalCusp: { mostMm: 1.5 },
      otherCusp: { mostMm: 1 },
      margin: { form: 'chamfer', leastMm: 0.3, mostMm: 0.5 },
    })
    for (const r of [
      'full metal crown',
      'metal-ceramic crown',
      'lithium disilicate crown',
      'monolithic zirconia crown',
    ] as const) {
      expect(reductionTargets(r).functionalCusp.mostMm).toBeGreaterThan(reductionTargets(r).otherCusp.leastMm)
    }
  })
})
