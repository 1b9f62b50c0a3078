/** The kinds of visit as a table: what each is called, whom it is for, what it may be asked for. No rules of the day here. */
import type { Restoration } from '../plan/vocabulary'

export const groups = ['Crowns and bridges', 'Bonded bridges', 'Veneers', 'Onlays and inlays', 'Direct fillings', 'Roots and cores', 'Children', 'Between and after'] as const
export type Group = (typeof groups)[number]

export interface KindFacts {
  /** Number in the coverage table; '–' for kinds that only complete a chain. */
  j: string
  title: string
  group: Group
  /** What it is, in one sentence. */
  says: string
  dentition: 'permanent' | 'primary'
  /** Most teeth in one visit. */
  most: number
  /** Restorations offered; the first is meant where none is said. */
  restorations: readonly Restoration[]
  /** Positions from the midline it is for, where not every tooth will do. */
  positions?: readonly [first: number, last: number]
  jaw?: 'upper' | 'lower'
  /** Replaces teeth: a request may name pontics; `needed` where it has to. */
  pontics?: 'may' | 'needed'
  /** A laboratory piece has to be on hand. */
  delivers?: string
  /** Something goes to the laboratory. */
  lab?: boolean
}

const crowns = ['monolithic zirconia crown', 'lithium disilicate crown', 'metal-ceramic crown', 'full metal crown'] as const
const kind = (k: KindFacts): KindFacts => k

export const kindTable = {
  'crown.prepare': kind({ j: 'J05', title: 'Crown, first visit', group: 'Crowns and bridges', says: 'Crown or conventional bridge, prepared, impression or scan taken, provisional cemented; the assistant leads.', dentition: 'permanent', most: 4, restorations: crowns, pontics: 'may', lab: true }),
  'crown.metal': kind({ j: 'J03', title: 'Full metal crown, first visit', group: 'Crowns and bridges', says: 'Index sectioned before cutting, guide grooves, one half at a time, seating groove.', dentition: 'permanent', most: 2, restorations: ['full metal crown'], positions: [4, 8], lab: true }),
  'crown.root-filled': kind({ j: 'J18', title: 'Crown on a root-filled upper molar', group: 'Crowns and bridges', says: 'Four-handed under magnification: V-shaped planes, contacts with a thin needle first, margin past the build-up.', dentition: 'permanent', most: 1, restorations: crowns, positions: [6, 8], jaw: 'upper', lab: true }),
  'arch.prepare': kind({ j: 'J20', title: 'Many lower units, implants to come', group: 'Crowns and bridges', says: 'Reduction guide from the wax-up, overgrown tissue, large slow-set impression, bridge-like provisional, a second shell for the surgeon.', dentition: 'permanent', most: 10, restorations: ['monolithic zirconia crown', 'metal-ceramic crown', 'lithium disilicate crown'], jaw: 'lower', pontics: 'may', lab: true }),
  'crown.interim': kind({ j: 'J13', title: 'Interim crown from putty and bis-acryl', group: 'Crowns and bridges', says: 'A provisional made, inspected part by part, relined or made again, polished and cemented.', dentition: 'permanent', most: 4, restorations: crowns, pontics: 'may' }),
  'crown.deliver': kind({ j: '–', title: 'Crown or bridge, delivery', group: 'Crowns and bridges', says: 'Provisional off, cleaned, tried in, cemented or bonded.', dentition: 'permanent', most: 10, restorations: crowns, pontics: 'may', delivers: 'crown or bridge' }),
  'bridge.try-in': kind({ j: '–', title: 'Framework try-in of a long span', group: 'Crowns and bridges', says: 'Fit, pontic, bite and shade before the ceramic is finished.', dentition: 'permanent', most: 10, restorations: ['metal-ceramic crown', 'monolithic zirconia crown', 'lithium disilicate crown'], pontics: 'may', delivers: 'framework', lab: true }),
  'bridge.ceramic.prepare': kind({ j: 'J01', title: 'Bonded ceramic bridge, preparation', group: 'Bonded bridges', says: 'Front gap: draw, concave lingual in enamel, ledge, damp-tolerant impression.', dentition: 'permanent', most: 2, restorations: ['resin-bonded retainer'], positions: [1, 3], pontics: 'needed', lab: true }),
  'bridge.ceramic.deliver': kind({ j: 'J01', title: 'Bonded ceramic bridge, delivery', group: 'Bonded bridges', says: 'Sheet with every abutment tied, etch 60 s, resin cement, tack, scrape, floss, 60 s each side.', dentition: 'permanent', most: 2, restorations: ['resin-bonded retainer'], positions: [1, 3], pontics: 'needed', delivers: 'ceramic bridge' }),
  'bridge.metal.prepare': kind({ j: 'J02', title: 'Bonded metal bridge, preparation', group: 'Bonded bridges', says: 'Room behind the front teeth, tissue, outline in pencil, light enamel work, silicone, shade, models.', dentition: 'permanent', most: 2, restorations: ['resin-bonded retainer'], positions: [1, 4], pontics: 'needed', lab: true }),
  'bridge.metal.try-in': kind({ j: 'J02', title: 'Bonded metal bridge, try-in', group: 'Bonded bridges', says: 'Fit and shade before the metal is etched.', dentition: 'permanent', most: 2, restorations: ['resin-bonded retainer'], positions: [1, 4], pontics: 'needed', delivers: 'unetched bridge', lab: true }),
  'bridge.metal.deliver': kind({ j: 'J02', title: 'Bonded metal bridge, delivery', group: 'Bonded bridges', says: 'Sheet, pumice, etch until dull, vacuum dry, the 20 s and 90 s clock, press.', dentition: 'permanent', most: 2, restorations: ['resin-bonded retainer'], positions: [1, 4], pontics: 'needed', delivers: 'etched bridge' }),
  'veneer.prepare': kind({ j: 'J06', title: 'Veneers, cord before cutting', group: 'Veneers', says: 'The tissue is pushed aside before the bur comes near it; the cord stays until after the impression.', dentition: 'permanent', most: 10, restorations: ['laminate veneer'], positions: [1, 5], lab: true }),
  'laminate.prepare': kind({ j: 'J16', title: 'Laminates for dark teeth, preparation', group: 'Veneers', says: 'Shade map, 0.5 mm depth cut with a pencil line, margin lowered for a dark tooth, two-body impression.', dentition: 'permanent', most: 10, restorations: ['laminate veneer'], positions: [1, 5], lab: true }),
  'laminate.deliver': kind({ j: 'J16', title: 'Laminates, delivery', group: 'Veneers', says: 'Tried in with water or glycerine, cement shade chosen, middle two first, cured edge, neck, behind.', dentition: 'permanent', most: 10, restorations: ['laminate veneer'], positions: [1, 5], delivers: 'laminates' }),
  'inlay.prepare': kind({ j: 'J12', title: 'Onlays and inlays, impression and provisional', group: 'Onlays and inlays', says: 'Cords under the sheet, back-up pellets, sheet folded away, dual-arch tray, painted provisional.', dentition: 'permanent', most: 4, restorations: ['ceramic inlay', 'ceramic onlay'], positions: [4, 8], lab: true }),
  'inlay.deliver': kind({ j: '–', title: 'Onlays and inlays, bonded', group: 'Onlays and inlays', says: 'Provisional out, sheet, tried in, bonded one by one, excess out while it moves.', dentition: 'permanent', most: 4, restorations: ['ceramic inlay', 'ceramic onlay'], positions: [4, 8], delivers: 'inlays or onlays' }),
  'gold.deliver': kind({ j: 'J10', title: 'Gold inlay cemented, gold foil placed', group: 'Onlays and inlays', says: 'Sheet sealed to the last drop, foil annealed and malleted, inlay finished in the same sitting.', dentition: 'permanent', most: 3, restorations: [], positions: [3, 8], delivers: 'gold inlay' }),
  'filling.amalgam': kind({ j: 'J07', title: 'Amalgam', group: 'Direct fillings', says: 'Full pass list under the sheet, band, base, condensed, carved, burnished.', dentition: 'permanent', most: 2, restorations: [], positions: [4, 8] }),
  'filling.bulk': kind({ j: 'J08', title: 'Bulk-fill composite', group: 'Direct fillings', says: 'Self-etch, increments up to 4 mm, pressed to the neighbour while curing, 2 mm cover.', dentition: 'permanent', most: 2, restorations: [], positions: [4, 8] }),
  'filling.injected': kind({ j: 'J09', title: 'Injection-moulded composite', group: 'Direct fillings', says: 'Band by measured height, wet adhesive, warm flowable then warm paste, three-point cure.', dentition: 'permanent', most: 2, restorations: [], positions: [4, 8] }),
  'filling.cervical': kind({ j: 'J15', title: 'Cervical filling', group: 'Direct fillings', says: 'Cervical clamp or cord and rolls, crescent outline, grooves, increments.', dentition: 'permanent', most: 3, restorations: [] }),
  'filling.cusps': kind({ j: 'J21', title: 'One-surface composite, cusp by cusp', group: 'Direct fillings', says: 'Selective etch, thin flowable, cusps one at a time, stain, cured under glycerine.', dentition: 'permanent', most: 2, restorations: [], positions: [4, 8] }),
  'endo.core.crown': kind({ j: 'J04', title: 'Root canal, core and crown in one visit', group: 'Roots and cores', says: 'Occlusal first, canals by length, master cone, core, axial cutting, scan, provisional.', dentition: 'permanent', most: 1, restorations: ['lithium disilicate crown', 'monolithic zirconia crown'], positions: [4, 8], lab: true }),
  'post.core': kind({ j: 'J11', title: 'Post, core and provisional, front tooth', group: 'Roots and cores', says: 'Post space measured, post rehearsed, dual-cure core, ferrule, coat, provisional in the shade of its own tab.', dentition: 'permanent', most: 1, restorations: ['lithium disilicate crown', 'monolithic zirconia crown', 'metal-ceramic crown'], positions: [1, 3] }),
  'primary.class3': kind({ j: 'J17', title: 'Primary front tooth, class III', group: 'Children', says: 'One-third rules, halved strip, flowable, pulled tight until cured from both sides.', dentition: 'primary', most: 2, restorations: [], positions: [1, 3] }),
  'primary.metal-crown': kind({ j: 'J19', title: 'Preformed metal crowns', group: 'Children', says: 'Conventional or sealed in without cutting; size tried, contoured, crimped, seated.', dentition: 'primary', most: 2, restorations: ['preformed metal crown'], positions: [4, 5] }),
  'primary.incisors': kind({ j: 'J14', title: 'Primary incisors under general anaesthesia', group: 'Children', says: 'Throat pack in and out, fit sizes downward, pulp, cement, seat.', dentition: 'primary', most: 6, restorations: ['preveneered crown'], positions: [1, 3] }),
  'recall.week': kind({ j: '–', title: 'Recall after a week', group: 'Between and after', says: 'Tissue, floss under the pontic, bite, colour after rehydration.', dentition: 'permanent', most: 10, restorations: [], pontics: 'may' }),
  'recall.half-year': kind({ j: '–', title: 'Half-yearly check of a bonded bridge', group: 'Between and after', says: 'Each retainer tested by itself, edges, tissue, bite.', dentition: 'permanent', most: 4, restorations: [], pontics: 'may' }),
} as const satisfies Record<string, KindFacts>

export type KindId = keyof typeof kindTable
export const kindIds = Object.keys(kindTable) as [KindId, ...KindId[]]
/** The row of a kind, with the optional columns in its type. */
export const kindFacts = (id: KindId): KindFacts => kindTable[id]
