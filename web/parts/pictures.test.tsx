/** The four pictures, rendered to markup: they draw what the core says, at its sizes, with words beside every mark. */
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { compile } from '../../core/plan/compile'
import { visitRequest } from '../../core/model/request'
import { layTrays } from '../../core/picture/tray'
import { starterPractice } from '../../core/practice/starter'
import type { RunningClock } from '../../core/run/clocks'
import { initialState } from '../../core/run/state'
import { bandsOf } from '../../core/schedule/bands'
import { layOut } from '../../core/schedule/timeline'
import { toTooth } from '../../core/teeth/notation'
import { amountWords } from '../../core/plan/amount-words'
import { WorkedOut } from '../case/worked-out'
import { Arch } from './arch'
import { BurStrip } from './bur-strip'
import { ClockRing } from './clock-ring'
import { Score } from './score'
import { TrayBoard } from './tray-board'

const practice = starterPractice()
const plan = compile(
  visitRequest.parse({
    kind: 'crown.prepare',
    date: '2026-11-24',
    teeth: ['37'],
    restoration: 'monolithic zirconia crown',
    missing: ['38'],
    choices: { cord: 'double' },
    team: { dentist: 'dentist', assistants: ['assistant'] },
  }),
  { ...practice, lots: practice.lots.map((l) => (l.itemId === 'bis-acryl' ? { ...l, left: 1 } : l)) },
)
const count = (markup: string, what: RegExp): number => markup.match(what)?.length ?? 0

describe('the score', () => {
  const score = layOut(plan)
  it('names the phases in their order, without a gap from the seat to the end', () => {
    // Drawn on a longer scale it is as long as it is.
    const long = { ...score, totalS: 2 * score.totalS }
    const bands = bandsOf(long)
    expect(bands[0]!.startS).toBe(0)
    expect(bands.at(-1)!.endS).toBe(score.totalS)
    for (const [i, b] of bands.slice(1).entries()) expect(b.startS).toBe(bands[i]!.endS)
    const order = [...new Set(bands.map((b) => b.title))]
    expect(order.filter((t) => ['Arrival', 'Cutting', 'Impression', 'Closing'].includes(t))).toEqual([
      'Arrival',
      'Cutting',
      'Impression',
      'Closing',
    ])
    expect(renderToStaticMarkup(<Score bands score={score} people={plan.people} label="" />)).toMatch(/>Cutting</)
  })
  it('says what is signed where, and how long a window lasts; wider, everything of it', () => {
    const at = (zoom: number): string =>
      renderToStaticMarkup(<Score score={score} people={plan.people} holds={plan.holds} zoom={zoom} label="" />)
    expect(at(1)).toMatch(/>Numb, tested</)
    for (const { title } of plan.holds) expect(at(4)).toContain(`>${title}<`)
    const windows = score.brackets.filter((b) => b.kind === 'window')
    expect(count(at(8), /data-window-name/g)).toBe(windows.length)
    expect(at(4)).toContain('>90 s Gum closes in<')
  })
  it('draws a bar for each person of each step, one for the mouth, a double bar for each hold', () => {
    const markup = renderToStaticMarkup(<Score score={score} people={plan.people} label="Score" />)
    const people = score.bars.reduce((sum, b) => sum + b.people.length, 0)
    const mouth = score.bars.filter((b) => b.place === 'mouth').length
    // What decides the length has a thick foot under its performer.
    const deciding = score.bars.filter((b) => b.slackS === 0).length
    expect(count(markup, /data-decides/g)).toBe(deciding)
    expect(count(markup, /<rect/g)).toBe(people + mouth + deciding)
    expect(count(markup, /stroke-width="2.5"/g)).toBe(plan.holds.length)
    // Waits are rests: drawn where there is room, never more than there are.
    expect(count(markup, /data-rest/g)).toBeGreaterThan(0)
    expect(count(markup, /data-rest/g)).toBeLessThanOrEqual(score.rests.length)
    expect(markup).toContain('role="img" aria-label="Score"')
  })
  it('fades what is done and rings what runs; the small one is silent for a screen reader', () => {
    const core = initialState(plan).core
    const steps = {
      ...core.steps,
      'arrival.seat': { status: 'done' as const, startedAt: 0, performer: 'a', finishedAt: 1, rounds: 0 },
      'anaesthesia.topical': { status: 'running' as const, startedAt: 1, performer: 'a', rounds: 0 },
    }
    const markup = renderToStaticMarkup(
      <Score score={score} people={plan.people} core={{ ...core, steps }} playheadS={200} label="Score" />,
    )
    expect(count(markup, /opacity-35/g)).toBe(1)
    expect(count(markup, /stroke="currentColor" stroke-width="4"/g)).toBe(1)
    // Wider, there is room for a minute's line at every minute, and for words.
    expect(
      count(renderToStaticMarkup(<Score score={score} people={plan.people} zoom={8} label="" />), /<text/g),
    ).toBeGreaterThan(score.totalS / 60)
    expect(renderToStaticMarkup(<Score full={false} score={score} people={plan.people} label="" />)).toContain(
      'aria-hidden="true"',
    )
  })
})

describe('the bur strip', () => {
  it('numbers the burs in order, writes the grit as a letter, and names each in full', () => {
    const markup = renderToStaticMarkup(<BurStrip passes={plan.burs} />)
    expect(count(markup, /<li/g)).toBe(plan.burs.length)
    expect(markup).toContain('1: Depth cutter 1.0, medium, ISO 806 314 834 524 010, buccal cusps; lingual cusps')
    expect(markup).toMatch(/needle <span class="num">0\.9 M/)
  })
  it('live: now and next in words, the done ones fall away but for the last', () => {
    const cuts = plan.steps.filter((s) => s.cut).map((s) => s.id)
    const done = new Set(cuts.slice(0, cuts.indexOf('cutting.margin.37')))
    const markup = renderToStaticMarkup(<BurStrip passes={plan.burs} nowStep="cutting.margin.37" doneSteps={done} />)
    expect(markup).toMatch(/4: Round-end taper 1\.6, medium[^"]*, now"/)
    expect(markup).toMatch(/5: Round-end taper 1\.6, fine[^"]*, next"/)
    expect(markup).toMatch(/3: Needle 0\.9, medium[^"]*, done"/)
    expect(markup).not.toContain('"1: ')
  })
  it('a cut nothing owned answers keeps its place and says so', () => {
    const poor = compile(plan.request, {
      ...practice,
      burs: practice.burs.filter((b) => b.shape !== 'needle' && b.shape !== 'flame'),
    })
    expect(renderToStaticMarkup(<BurStrip passes={poor.burs} />)).toContain('no bur owned fits, mesial')
  })
})

describe('the tray', () => {
  const lines = new Map(plan.setup.map((l) => [l.id, l]))
  const markup = (checked: string[]) =>
    layTrays(plan.setup)
      .map((board) =>
        renderToStaticMarkup(
          <TrayBoard
            board={board}
            lines={lines}
            checked={new Set(checked)}
            onToggle={() => undefined}
            onBand={() => undefined}
          />,
        ),
      )
      .join('')
  it('has a place for every open line, each a box to tick with its amount and its trouble in words', () => {
    const open = plan.setup.filter((l) => l.readiness === 'open')
    expect(count(markup([]), /data-line=/g)).toBe(open.length)
    expect(markup([])).toContain('aria-label="Bis-acryl, 2.2 mL, short: 1 left of 2.2 needed"')
    expect(markup([])).toContain('aria-label="Braided cord 0, 29 mm"')
  })
  it('marks what is laid out by a sign, not by colour alone, and a band when all of it is', () => {
    expect(count(markup(['mirror']), />✓</g)).toBe(1)
    const arrival = plan.setup.filter((l) => l.phase === 'arrival').map((l) => l.id)
    expect(markup(arrival)).toContain('aria-checked="true" aria-label="Arrival: everything laid out"')
  })
  it('draws things at their own size: one scale, long things longer', () => {
    const places = layTrays(plan.setup).flatMap((b) => b.bands.flatMap((x) => x.places))
    expect(places.find((p) => p.lineId === 'mirror')!.drawing).toMatchObject({ lengthMm: 165, scale: 1 })
    for (const { drawing: d, ...p } of places) {
      // Smaller than life only where it would not lie on a tray, and then it says so.
      if (d.lengthMm < 170 && d.widthMm <= 90) expect(d.scale, p.lineId).toBe(1)
      else expect([...p.notes].some((n) => n.startsWith('×'))).toBe(d.scale < 0.95)
      // The whole name stands beneath the drawing, and both stay in their place.
      expect(p.name.join('').replaceAll(/[- ]/g, '')).toBe(lines.get(p.lineId)!.name.replaceAll(/[- ]/g, ''))
      expect(d.yMm + d.lengthMm * d.scale, p.lineId).toBeLessThanOrEqual(p.wordsYMm)
      expect(d.xMm + d.widthMm * d.scale, p.lineId).toBeLessThanOrEqual(p.widthMm)
      if (d.end) expect(d.end.xMm + d.widthMm * d.end.scale, p.lineId).toBeLessThanOrEqual(p.widthMm)
    }
    expect(markup([])).toContain('clip-path="url(#end-explorer)"')
  })
})

describe('the arch', () => {
  it('labels every tooth in the practice’s notation with its name and state', () => {
    const markup = renderToStaticMarkup(
      <Arch
        label="Arch"
        notation="universal"
        teeth={[toTooth('37')]}
        missing={[toTooth('38')]}
        neighbours={[toTooth('36')]}
        onTooth={() => undefined}
      />,
    )
    expect(count(markup, /data-tooth=/g)).toBe(32)
    expect(markup).toContain('aria-label="18, lower left second molar, to be prepared"')
    expect(markup).toContain('aria-label="17, lower left third molar, missing"')
    expect(markup).toContain('aria-label="19, lower left first molar, neighbour"')
    expect(markup).toContain('aria-label="16, upper left third molar, present"')
  })
  it('shows what is numb by bars and a ring, and says it', () => {
    const numb = [
      { tooth: toTooth('37'), tissue: 'tooth' as const },
      { tooth: toTooth('37'), tissue: 'inner' as const },
    ]
    const markup = renderToStaticMarkup(
      <Arch label="Arch" notation="iso" teeth={[toTooth('37')]} missing={[]} numb={numb} />,
    )
    expect(markup).toContain('37, lower left second molar, to be prepared, numb: tooth, tongue side')
    expect(count(markup, /stroke-brass/g)).toBe(2)
  })
  it('offers no button where nothing may be changed', () => {
    expect(renderToStaticMarkup(<Arch label="Arch" notation="iso" teeth={[]} missing={[]} />)).not.toContain(
      'role="button"',
    )
  })
})

describe('how it is worked out', () => {
  const markup = renderToStaticMarkup(<WorkedOut plan={plan} score={layOut(plan)} />)
  it('opens every figure of the plan: value, unit, how it came about and how well it is known', () => {
    expect(count(markup, /data-worked=/g)).toBe(plan.steps.reduce((sum, s) => sum + s.figures.length, 0))
    expect(markup).toContain('1 × perimeter 26.7 mm of an ellipse 8 × 9 mm + 2 mm overlap = 28.7 mm')
    expect(markup).toContain('(common practice)')
    expect(markup).toContain('(from memory of a published table)')
  })
  it('gives each bur its reason, and names the next best for each cut that has one', () => {
    expect(count(markup, /data-bur=/g)).toBe(plan.burs.length)
    expect(count(markup, /Next best:/g)).toBe(plan.burs.flatMap((b) => b.cuts).filter((c) => c.next).length)
  })
  it('says what was passed over and what is lacking', () => {
    const worn = compile(plan.request, {
      ...practice,
      burs: practice.burs
        .filter((b) => b.shape !== 'needle' && b.shape !== 'flame')
        .map((b) => (b.id === 'dc-10' ? { ...b, uses: 10 } : b)),
    })
    const text = renderToStaticMarkup(<WorkedOut plan={worn} score={layOut(worn)} />)
    expect(text).toContain('passed over: Depth cutter 1.0, medium: it has reached its limit of 10 uses')
    expect(text).toContain('no bur owned fits: a needle or flame no wider than 1.0 mm is wanted')
  })
})

describe('amounts in words', () => {
  it('say nothing for one piece, a count for more, units for the rest, and cord piece by piece', () => {
    const say = (quantity: number, unit: string, piecesMm?: number[]): string =>
      amountWords({ quantity, unit, ...(piecesMm ? { piecesMm } : {}) })
    expect([say(1, 'piece'), say(4, 'piece'), say(2.2, 'mL'), say(1, 'cartridge'), say(62, 'mm', [29, 33])]).toEqual([
      '',
      '4 ×',
      '2.2 mL',
      '1 cartridge',
      '29 mm, 33 mm',
    ])
  })
})

describe('a clock', () => {
  const clock = (phase: RunningClock['phase'], elapsedS: number): string =>
    renderToStaticMarkup(
      <ClockRing
        clock={{
          linkId: 'x',
          title: 'Cord dwells',
          from: 'a',
          to: 'b',
          startedAt: 0,
          elapsedS,
          notBeforeS: 300,
          warnS: 900,
          closesS: 960,
          phase,
          because: '',
        }}
      />,
    )
  it('says its phase in a word of its own with a shape of its own, and counts to the edge that matters', () => {
    const words = [clock('wait', 60), clock('go', 360), clock('warn', 900), clock('missed', 975)]
    expect(words.map((w) => /<strong>(.*?)<\/strong>/.exec(w)![1])).toEqual(['wait', 'may go', 'hurry', 'closed'])
    expect(words.map((w) => /class="clock [^>]*>(.*?)<\/p>/.exec(w)![1])).toEqual(['4:00', '10:00', '1:00', '+0:15'])
    const shapes = words.map((w) => /<path d="(.*?)"/.exec(w)![1])
    expect(new Set(shapes).size).toBe(4)
  })
})
