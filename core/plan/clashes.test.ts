import { describe, expect, it } from 'vitest'
import { starterPractice } from '../practice/starter'
import { compile } from './compile'
import { trayReadiness } from './ready'
import { visitRequest, type VisitRequestInput } from '../model/request'
import type { Plan } from '../model/plan'

const practice = starterPractice()
const plan = (more: Partial<VisitRequestInput> = {}, p = practice): Plan =>
  compile(
    visitRequest.parse({
      kind: 'crown.prepare',
      date: '2026-11-24',
      teeth: ['36'],
      restoration: 'metal-ceramic crown',
      team: { dentist: 'dentist', assistants: ['assistant'] },
      ...more,
    }),
    p,
  )
const without = (...ids: string[]) => ({ ...practice, items: practice.items.filter((i) => !ids.includes(i.id)) })

/** A plan of any kind, on a lower first molar where nothing else is said. */
const of = (more: Partial<VisitRequestInput>, p = practice): Plan =>
  compile(
    visitRequest.parse({
      date: '2026-11-24',
      teeth: ['36'],
      team: { dentist: 'dentist', assistants: ['assistant'] },
      kind: 'crown.prepare',
      ...more,
    }),
    p,
  )
const alsoServes = (id: string, need: string) => ({
  ...practice,
  items: practice.items.map((i) => (i.id === id ? { ...i, serves: [...i.serves, need] } : i)),
})
/** The practice with a step of its own that brings the separator while the sheet is on. */
const alsoAt = (after: string) => ({
  ...practice,
  amendments: [
    {
      id: 'a',
      kind: 'post.core' as const,
      by: 'Dr Demo',
      on: '2026-11-01',
      why: 'tried',
      change: {
        op: 'add item' as const,
        step: after,
        need: { what: 'separator', quantity: 1, readiness: 'open' as const },
      },
    },
  ],
})

/** Common practice: each pair that must not meet, how hard it is, and the plan it must not appear in. */
const table: [id: string, severity: 'stop' | 'ask' | 'mind', withIt: () => Plan, withoutIt: () => Plan][] = [
  ['latex-alert', 'mind', () => plan({ alerts: ['latex'] }), () => plan()],
  ['latex-silicone', 'ask', () => plan({}, without('gloves-nitrile')), () => plan()],
  ['eugenol-bonding', 'mind', () => plan({ deliveryCement: 'resin' }), () => plan({ deliveryCement: 'conventional' })],
  ['astringent-silicone', 'mind', () => plan(), () => plan({ choices: { cordAgent: 'plain' } })],
  [
    'adrenaline-cord',
    'ask',
    () => plan({ alerts: ['adrenaline-sensitive'], choices: { cordAgent: 'adrenaline' } }),
    () => plan({ choices: { cordAgent: 'adrenaline' } }),
  ],
  [
    'adrenaline-anaesthetic',
    'ask',
    () => plan({ alerts: ['adrenaline-sensitive'] }),
    () => plan({ alerts: ['adrenaline-sensitive'], anaesthetic: 'mepivacaine plain' }),
  ],
  ['methacrylate', 'ask', () => plan({ alerts: ['methacrylate'] }), () => plan()],
  [
    'nickel',
    'ask',
    () => plan({ alerts: ['nickel'] }),
    () => plan({ alerts: ['nickel'], restoration: 'monolithic zirconia crown' }),
  ],
  [
    'breathing',
    'ask',
    () => plan({ alerts: ['mouth breather'], choices: { isolation: 'dam throughout' } }),
    () => plan({ alerts: ['mouth breather'] }),
  ],
  [
    'dual-arch',
    'ask',
    () => plan({ missing: ['37'], choices: { impression: 'addition silicone, dual-arch' } }),
    () => plan({ missing: ['37'] }),
  ],
  ['polyether-damp', 'mind', () => plan({ choices: { impression: 'polyether, custom tray' } }), () => plan()],
  ['pacemaker', 'mind', () => plan({ alerts: ['pacemaker'] }), () => plan()],
  [
    'sticky-layer',
    'mind',
    () => of({ kind: 'inlay.prepare' }),
    () => of({ kind: 'inlay.prepare', choices: { dentineSeal: 'at delivery' } }),
  ],
  [
    'astringent-bonding',
    'ask',
    () => of({ kind: 'inlay.prepare' }),
    () => of({ kind: 'inlay.prepare', choices: { cordAgent: 'plain' } }),
  ],
  [
    'eugenol-earlier',
    'ask',
    () =>
      of({
        kind: 'inlay.deliver',
        earlier: [{ kind: 'inlay.prepare', date: '2026-11-10', uses: ['provisional cement.eugenol'] }],
      }),
    () =>
      of({
        kind: 'inlay.deliver',
        earlier: [{ kind: 'inlay.prepare', date: '2026-11-10', uses: ['provisional cement.non-eugenol'] }],
      }),
  ],
  [
    'ferric-earlier',
    'mind',
    () =>
      of({
        kind: 'inlay.deliver',
        earlier: [{ kind: 'inlay.prepare', date: '2026-11-10', uses: ['agent.ferric sulphate'] }],
      }),
    () => of({ kind: 'inlay.deliver' }),
  ],
  [
    'one-bottle',
    'ask',
    () =>
      of(
        { kind: 'inlay.deliver', swaps: { adhesive: 'adhesive-one-bottle' } },
        alsoServes('adhesive-one-bottle', 'bond.self-etch'),
      ),
    // Chosen as the system, its activator is planned with it.
    () => of({ kind: 'inlay.deliver', choices: { adhesive: 'self-etch, one bottle' } }),
  ],
  [
    'acid-system',
    'stop',
    () => of({ kind: 'filling.bulk', teeth: ['26'], choices: { etch: 'total', adhesive: 'self-etch, two bottles' } }),
    () => of({ kind: 'filling.bulk', teeth: ['26'], choices: { etch: 'total' } }),
  ],
  [
    'flavoured-paste',
    'ask',
    () => of({ kind: 'inlay.deliver', swaps: { pumice: 'prophy-paste' } }, alsoServes('prophy-paste', 'pumice')),
    () => of({ kind: 'inlay.deliver' }),
  ],
  [
    'jelly-latex',
    'ask',
    () => of({ kind: 'post.core', teeth: ['11'] }, { ...alsoAt('coat.look'), items: without('water-separator').items }),
    () => of({ kind: 'post.core', teeth: ['11'] }, alsoAt('coat.look')),
  ],
  ['hydrofluoric', 'mind', () => of({ kind: 'inlay.deliver' }), () => of({ kind: 'filling.amalgam' })],
  [
    'hypochlorite',
    'stop',
    () => of({ kind: 'endo.core.crown', choices: { bondingIsolation: 'suction retractor' } }),
    () => of({ kind: 'endo.core.crown' }),
  ],
  [
    'no-sheet',
    'ask',
    () => of({ kind: 'gold.deliver', choices: { bondingIsolation: 'rolls and suction' } }),
    () => of({ kind: 'gold.deliver' }),
  ],
  [
    'tint',
    'ask',
    () => of({ kind: 'laminate.deliver', teeth: ['11'], tintPercent: 26 }),
    () => of({ kind: 'laminate.deliver', teeth: ['11'], tintPercent: 25 }),
  ],
  [
    'piece',
    'stop',
    () => of({ kind: 'inlay.deliver', pieceOnHand: false }),
    () => of({ kind: 'inlay.prepare', pieceOnHand: false }),
  ],
  [
    'weight',
    'ask',
    () => of({ kind: 'primary.metal-crown', teeth: ['85'] }),
    () => of({ kind: 'primary.metal-crown', teeth: ['85'], weightKg: 18 }),
  ],
  [
    'weak-light',
    'mind',
    () => of({ kind: 'filling.bulk' }, { ...practice, light: { irradianceMWPerCm2: 550, readOn: '2026-10-01' } }),
    () => of({ kind: 'filling.bulk' }),
  ],
  [
    'bridge-place',
    'ask',
    () => of({ kind: 'bridge.ceramic.prepare', teeth: ['11'], pontics: ['12'] }),
    () => of({ kind: 'bridge.ceramic.prepare', teeth: ['31'], pontics: ['32'] }),
  ],
  [
    'sealed-in',
    'ask',
    () => of({ kind: 'primary.metal-crown', teeth: ['74'], weightKg: 16, choices: { childMolar: 'sealed in' } }),
    () =>
      of({
        kind: 'primary.metal-crown',
        teeth: ['74'],
        weightKg: 16,
        lesionSite: 'between',
        choices: { childMolar: 'sealed in' },
      }),
  ],
  [
    'sealed-in-pulp',
    'stop',
    () =>
      of({
        kind: 'primary.metal-crown',
        teeth: ['74'],
        weightKg: 16,
        pulpTreatment: true,
        lesionSite: 'between',
        choices: { childMolar: 'sealed in' },
      }),
    () =>
      of({
        kind: 'primary.metal-crown',
        teeth: ['74'],
        weightKg: 16,
        pulpTreatment: true,
        choices: { childMolar: 'conventional' },
      }),
  ],
  [
    'post-room',
    'ask',
    () => of({ kind: 'post.core', teeth: ['11'], ofTooth: { 11: { canals: [{ name: 'single', lengthMm: 9 }] } } }),
    () => of({ kind: 'post.core', teeth: ['11'], ofTooth: { 11: { canals: [{ name: 'single', lengthMm: 10 }] } } }),
  ],
  [
    'chlorhexidine',
    'mind',
    () => of({ kind: 'gold.deliver', alerts: ['chlorhexidine'] }),
    () => of({ kind: 'gold.deliver' }),
  ],
  [
    'impression-window',
    'ask',
    () =>
      of({
        kind: 'crown.prepare',
        teeth: ['34', '35', '36', '37'],
        choices: { cord: 'double', impression: 'addition silicone, full arch' },
      }),
    () => plan(),
  ],
  [
    'wash',
    'mind',
    () => plan({ choices: { wash: 'tray' } }),
    () => plan({ choices: { wash: 'tray', impression: 'polyether, custom tray' } }),
  ],
]

describe('compatibility over what one case uses', () => {
  it.each(table)('%s (%s) is named where it is and nowhere else', (id, severity, withIt, withoutIt) => {
    const found = withIt().clashes.find((c) => c.id === id)
    expect(found).toMatchObject({ severity })
    expect(found!.why.length).toBeGreaterThan(5)
    expect(found!.doThis.length).toBeGreaterThan(5)
    expect(withoutIt().clashes.map((c) => c.id)).not.toContain(id)
  })
  it('stands hardest first', () => {
    const order = plan({ alerts: ['nickel', 'methacrylate', 'pacemaker'], deliveryCement: 'resin' }).clashes.map((c) =>
      ['stop', 'ask', 'mind'].indexOf(c.severity),
    )
    expect(order).toEqual(order.toSorted((a, b) => a - b))
  })
  it('an exchange at the tray settles the clash, and never brings latex against the alert', () => {
    const latexOnly = without('gloves-nitrile')
    expect(plan({}, latexOnly).clashes.map((c) => c.id)).toContain('latex-silicone')
    // Exchanged back by hand it is what was wanted, and the clash says so.
    const back = plan({ swaps: { 'gloves-nitrile': 'gloves-latex' } })
    expect(back.clashes.map((c) => c.id)).toContain('latex-silicone')
    expect(plan({ alerts: ['latex'], swaps: { 'gloves-nitrile': 'gloves-latex' } }).setup.some((l) => l.latex)).toBe(
      false,
    )
  })
  it('three units in a dual-arch tray are questioned, two are not', () => {
    const units = (teeth: string[]) =>
      plan({ teeth, choices: { impression: 'addition silicone, dual-arch' } }).clashes.find((c) => c.id === 'dual-arch')
    expect(units(['35', '36', '37'])!.what).toContain('3 units')
    expect(units(['35', '36'])).toBeUndefined()
  })
})

describe('anaesthetic over its ceiling', () => {
  // Arithmetic: two blocks with long buccal are 3.6 mL of 2 % = 72 mg; 4.4 mg/kg × 15 kg = 66 mg.
  it('as planned is asked of the dentist before the needle, and not where it is under', () => {
    const child = (weightKg: number) =>
      plan({ teeth: ['36', '46'], ageYears: 5, weightKg }).clashes.find((c) => c.id === 'anaesthetic-over')
    expect(child(15)).toMatchObject({ decides: 'dentist', why: expect.stringContaining('72 of 66 mg') })
    expect(child(30)).toBeUndefined()
  })
})

describe('a tray is signed when everything is out, read and safe', () => {
  const p = plan({}, without('gloves-nitrile'))
  const all = new Set(p.setup.map((l) => l.id))
  it('names what is missing and what has to be read', () => {
    const none = trayReadiness(p, new Set())
    expect(none).toMatchObject({ checked: 0, total: p.setup.length, ready: false })
    expect(none.missing).toHaveLength(p.setup.length)
    expect(none.toAcknowledge.map((a) => a.id)).toEqual(['clash:latex-silicone'])
    expect(trayReadiness(p, all).ready).toBe(false)
    expect(trayReadiness(p, all, new Set(['clash:latex-silicone'])).ready).toBe(true)
  })
  it('asks about expired and short lots, lacks, and burs that nothing owned answers', () => {
    const poor = {
      ...without('mirror'),
      burs: practice.burs.filter((b) => b.shape !== 'needle' && b.shape !== 'flame'),
      lots: practice.lots.map((l) =>
        l.itemId === 'bis-acryl' ? { ...l, left: 1 } : l.itemId === 'lidocaine' ? { ...l, expires: '2026-01-01' } : l,
      ),
    }
    const asked = trayReadiness(plan({}, poor), new Set()).toAcknowledge.map((a) => a.id)
    expect(asked).toEqual(
      expect.arrayContaining([
        'lack:lack:mirror',
        'lot:bis-acryl',
        'lot:lidocaine',
        expect.stringMatching(/^bur:\d+$/),
      ]),
    )
  })
  it('is blocked outright by what no reading makes safe', () => {
    const noSeparator = plan({}, without('petroleum-jelly', 'water-separator'))
    expect(noSeparator.clashes[0]).toMatchObject({ id: 'no-separator', severity: 'stop' })
    const everything = (p: Plan) =>
      trayReadiness(
        p,
        new Set(p.setup.map((l) => l.id)),
        new Set(trayReadiness(p, new Set()).toAcknowledge.map((a) => a.id)),
      )
    expect(everything(noSeparator)).toMatchObject({ ready: false, blocked: [expect.stringContaining('No separator')] })
    const onlyLatexGloves = plan({ alerts: ['latex'] }, without('gloves-nitrile'))
    expect(everything(onlyLatexGloves)).toMatchObject({
      ready: false,
      blocked: [expect.stringContaining('gloves only with latex')],
    })
  })
})
