/** An invented practice: its people, cards, chairs, lots and a day of ten visits. Nothing here is a source of anything. */
import { sure } from '../core/sure'
import { starterBurs, starterItems } from '../core/catalog/starter'
import type { VisitRequestInput } from '../core/model/request'
import { presetTable } from '../core/practice/functions'
import { practice, type Practice } from '../core/practice/practice'
import { demoInstruments } from './instruments'

/** Codes of the demo's people, shown on its sign-in page. */
export const demoCodes: Record<string, string> = {
  orrell: '471108',
  lindqvist: '582236',
  juno: '3816',
  petra: '5064',
  wim: '9527',
  ada: '2708',
  varen: '771194',
  bram: '8193',
}

/** Plain date moved by months, clamped to the 28th so that every month has it. */
function monthsFrom(day: string, months: number): string {
  const [y, m] = day.split('-').map(Number)
  const at = sure(y) * 12 + (sure(m) - 1) + months
  return `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-28`
}

/** The demo practice as of a day: every lot in date but one, every lot full but one. */
export function demoPractice(day: string, zone: string): Practice {
  const lots = starterItems
    .filter((i) => i.tracked)
    .map((i, n) => ({
      id: `lot-${i.id}`,
      itemId: i.id,
      number: `Q${String(4100 + n * 37)}`,
      expires: monthsFrom(day, 8 + (n % 14)),
      left: i.unit === 'mm' ? 1500 : i.unit === 'cartridge' ? 40 : i.id === 'alginate' ? 400 : 90,
      opened: n % 3 === 0,
    }))
    .map((l) => (l.itemId === 'bis-acryl' ? { ...l, left: 1.6 } : l))
  lots.push({
    id: 'lot-aluminium-old',
    itemId: 'aluminium-chloride',
    number: 'Q3902',
    expires: monthsFrom(day, -2),
    left: 6,
    opened: false,
  })
  return practice.parse({
    name: 'Quillwater Dental Rooms',
    notation: 'iso',
    zone,
    chairs: [
      { id: 'chair-1', name: 'Chair 1' },
      { id: 'chair-2', name: 'Chair 2' },
      { id: 'chair-3', name: 'Chair 3' },
      { id: 'chair-4', name: 'Chair 4' },
    ],
    people: [
      { id: 'orrell', name: 'Dr Tamsin Orrell', roles: ['dentist'] },
      { id: 'lindqvist', name: 'Dr Kofi Lindqvist', roles: ['dentist'] },
      { id: 'varen', name: 'Dr Imke Varen', roles: ['dentist'] },
      { id: 'juno', name: 'Juno Abara', roles: ['assistant'] },
      { id: 'petra', name: 'Petra Solis', roles: ['expanded assistant'] },
      { id: 'wim', name: 'Wim Castellan', roles: ['sterilising', 'assistant'] },
      { id: 'bram', name: 'Bram Oduya', roles: ['expanded assistant'] },
      { id: 'ada', name: 'Ada Ferrow', roles: ['front desk'] },
    ],
    cards: [
      {
        dentistId: 'orrell',
        choices: {
          isolation: 'rolls and suction',
          cord: 'double',
          impression: 'addition silicone, dual-arch',
          provisional: 'bis-acryl in preliminary impression',
          functions: 'cautious',
        },
        extraHolds: ['margins'],
      },
      {
        dentistId: 'lindqvist',
        choices: {
          isolation: 'dam throughout',
          cord: 'single',
          cordAgent: 'plain',
          impression: 'optical scan',
          provisional: 'bis-acryl in putty index',
          functions: 'expanded',
        },
        extraHolds: ['bite'],
      },
      {
        dentistId: 'varen',
        choices: { etch: 'enamel edge', resinExcess: 'tack and scrape', functions: 'expanded' },
        extraHolds: [],
      },
    ],
    functions: {
      cautious: presetTable('cautious', 'Dr Tamsin Orrell', monthsFrom(day, -9)),
      expanded: presetTable('expanded', 'Dr Kofi Lindqvist', monthsFrom(day, -7)),
    },
    items: starterItems,
    burs: starterBurs.map((b) => (b.id === 'dc-20' ? { ...b, uses: 10 } : b.id === 'ftb-023' ? { ...b, uses: 4 } : b)),
    lots,
    instruments: demoInstruments,
  })
}

export interface DemoVisit {
  /** Days after the demo day; a visit of the same case as another names it. */
  inDays?: number
  caseOf?: string
  key: string
  time: string
  chairId: string
  patient: string
  alerts: NonNullable<VisitRequestInput['alerts']>
  team: { dentist: string; assistants: string[] }
  visitChoices?: NonNullable<VisitRequestInput['visitChoices']>
  request: Pick<VisitRequestInput, 'teeth'> & Partial<VisitRequestInput>
}

export const demoVisits: DemoVisit[] = [
  {
    key: 'one',
    time: '09:00',
    chairId: 'chair-1',
    patient: 'Marguerite Pell',
    alerts: [],
    team: { dentist: 'orrell', assistants: ['juno'] },
    request: {
      teeth: ['37'],
      restoration: 'monolithic zirconia crown',
      missing: ['38', '48'],
      margin: 'subgingival',
      choices: { impression: 'polyether, custom tray' },
    },
  },
  {
    key: 'two',
    time: '09:10',
    chairId: 'chair-2',
    patient: 'Idris Tolland',
    alerts: ['latex'],
    team: { dentist: 'lindqvist', assistants: ['petra'] },
    request: {
      teeth: ['11'],
      restoration: 'lithium disilicate crown',
      deliveryCement: 'resin',
      tissue: { biotype: 'thin' },
    },
  },
  {
    key: 'three',
    time: '11:00',
    chairId: 'chair-3',
    patient: 'Nell Ashgrove',
    alerts: [],
    team: { dentist: 'lindqvist', assistants: ['wim'] },
    request: { teeth: ['16'], restoration: 'full metal crown', vital: false, missing: ['18'] },
  },
  {
    key: 'four',
    time: '11:20',
    chairId: 'chair-1',
    patient: 'Bartholomew Quist',
    alerts: ['adrenaline-sensitive', 'nickel'],
    team: { dentist: 'orrell', assistants: ['juno'] },
    request: { teeth: ['47'], restoration: 'metal-ceramic crown', choices: { cordAgent: 'adrenaline' } },
  },
  {
    key: 'five',
    time: '13:45',
    chairId: 'chair-2',
    patient: 'Sunniva Rask',
    alerts: ['mouth breather'],
    team: { dentist: 'lindqvist', assistants: ['petra'] },
    request: { teeth: ['25'], restoration: 'monolithic zirconia crown', margin: 'supragingival' },
  },
  {
    key: 'six',
    time: '14:30',
    chairId: 'chair-1',
    patient: 'Octavian Brill',
    alerts: ['methacrylate'],
    team: { dentist: 'orrell', assistants: ['juno', 'wim'] },
    request: { teeth: ['34'], restoration: 'metal-ceramic crown', crossbite: true, deliveryCement: 'conventional' },
  },
  {
    key: 'seven',
    time: '08:00',
    chairId: 'chair-4',
    patient: 'Tilly Marrow',
    alerts: [],
    team: { dentist: 'varen', assistants: ['bram'] },
    request: {
      kind: 'primary.metal-crown',
      teeth: ['75'],
      weightKg: 21,
      ageYears: 6,
      anaesthetic: 'lidocaine with adrenaline',
    },
  },
  {
    key: 'eight',
    time: '09:15',
    chairId: 'chair-4',
    patient: 'Casimir Thole',
    alerts: [],
    team: { dentist: 'varen', assistants: ['bram'] },
    request: { kind: 'bridge.ceramic.deliver', teeth: ['31', '42'], pontics: ['41'], framework: 'lithium disilicate' },
  },
  {
    key: 'nine',
    time: '10:40',
    chairId: 'chair-4',
    patient: 'Orla Wickstead',
    alerts: ['latex'],
    team: { dentist: 'varen', assistants: ['bram'] },
    request: {
      kind: 'endo.core.crown',
      teeth: ['26'],
      missingWall: true,
      ofTooth: {
        26: {
          canals: [
            { name: 'MB', lengthMm: 20 },
            { name: 'DB', lengthMm: 19.5 },
            { name: 'P', lengthMm: 21 },
          ],
        },
      },
    },
  },
  {
    key: 'ten',
    time: '13:30',
    chairId: 'chair-4',
    patient: 'Fenella Ro',
    alerts: [],
    team: { dentist: 'varen', assistants: ['bram'] },
    request: {
      kind: 'laminate.prepare',
      teeth: ['12', '11', '21'],
      ofTooth: { 12: { dark: true }, 11: { dark: true }, 21: { dark: true } },
    },
  },
  // Tomorrow.
  {
    key: 'fall',
    inDays: 1,
    time: '08:30',
    chairId: 'chair-1',
    patient: 'Wendeline Haas',
    alerts: [],
    team: { dentist: 'orrell', assistants: ['juno'] },
    request: { kind: 'bridge.metal.deliver', teeth: ['11', '13'], pontics: ['12'] },
  },
  {
    key: 'cord-first',
    inDays: 1,
    time: '08:40',
    chairId: 'chair-2',
    patient: 'Ambrose Kettle',
    alerts: [],
    team: { dentist: 'lindqvist', assistants: ['petra'] },
    request: { kind: 'veneer.prepare', teeth: ['12', '22'] },
  },
  {
    key: 'one-canal',
    inDays: 1,
    time: '10:30',
    chairId: 'chair-1',
    patient: 'Solveig Marrable',
    alerts: ['latex'],
    team: { dentist: 'orrell', assistants: ['juno'] },
    request: {
      kind: 'endo.core.crown',
      teeth: ['44'],
      ofTooth: { 44: { canals: [{ name: 'single', lengthMm: 20 }] } },
      choices: { impression: 'optical scan' },
    },
  },
  {
    key: 'lower-gap',
    inDays: 1,
    time: '11:00',
    chairId: 'chair-2',
    patient: 'Hugo Vantongeren',
    alerts: [],
    team: { dentist: 'lindqvist', assistants: ['petra'] },
    request: { kind: 'bridge.metal.prepare', teeth: ['41', '43'], pontics: ['42'] },
  },
  {
    key: 'five-laminates',
    inDays: 1,
    time: '13:30',
    chairId: 'chair-1',
    patient: 'Cosima Ferraby',
    alerts: [],
    team: { dentist: 'orrell', assistants: ['juno'] },
    request: {
      kind: 'laminate.prepare',
      teeth: ['13', '12', '11', '21', '22'],
      ofTooth: {
        13: { coveredEdge: true },
        12: { dark: true },
        11: { dark: true },
        21: { dark: true },
        22: { dark: true },
      },
      choices: { impression: 'polyether, custom tray', wash: 'tray' },
    },
  },
  {
    key: 'eight-recall',
    inDays: 7,
    caseOf: 'eight',
    time: '09:15',
    chairId: 'chair-4',
    patient: 'Casimir Thole',
    alerts: [],
    team: { dentist: 'varen', assistants: ['bram'] },
    request: { kind: 'recall.week', teeth: ['31', '42'] },
  },
]
