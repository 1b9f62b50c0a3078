import type { AlsoWork, VisitRequest } from '../model/request'
import type { Alert, Restoration } from '../vocabulary'
import { resolveChoices, type ChoiceName, type Choices, type ResolvedChoices } from '../practice/choices'
import type { Practice } from '../practice/practice'
import { dimensions, type Dimensions } from '../teeth/dimensions'
import { archOrder, functionalCusps, neighbours, type Cusps, type Neighbour } from '../teeth/arch'
import { isPrimary, jawOf, writeBoth, type Tooth } from '../teeth/notation'
import { kindFacts, type KindFacts } from '../kinds'

/** One tooth of the visit with what the phases ask of it. */
export interface Unit {
  tooth: Tooth
  /** In both notations, for words a person reads. */
  label: string
  size: Dimensions
  cusps: Cusps | null
  mesial: Neighbour
  distal: Neighbour
}

/** What was looked at while a plan was made: the Case screen shows these and no others. */
export interface Asked {
  facts: Set<string>
  choices: Set<ChoiceName>
}

/** The case as the phases see it: request and practice with everything resolved. */
export interface Case {
  kind: KindFacts
  request: VisitRequest
  practice: Practice
  choices: Choices
  resolved: ResolvedChoices
  units: Unit[]
  pontics: Unit[]
  restoration: Restoration | undefined
  jaw: 'upper' | 'lower'
  has: (alert: Alert) => boolean
  asked: Asked
  /** Where the sheet of the work before stays on for this one, or this one's stays on for the next. */
  sheet: { alreadyOn: boolean; staysOn: boolean; teeth: readonly Tooth[]; offStep: string }
}

/** An object that notes each of its own keys as it is read. */
function noting<T extends object>(target: T, note: (key: string) => void): T {
  return new Proxy(target, {
    get(of, key) {
      if (typeof key === 'string' && key in of) note(key)
      return of[key as keyof T]
    },
  })
}

/**
 * Resolves choices (card < case < visit) and looks up each tooth once.
 * @param work one of the visit's further pieces of work, whose facts stand in place of the request's own.
 */
export function openCase(whole: VisitRequest, practice: Practice, work?: AlsoWork): Case {
  const plain: VisitRequest = work ? { ...whole, ...work } : whole
  const asked: Asked = { facts: new Set(), choices: new Set() }
  const card = practice.cards.find((c) => c.dentistId === plain.team.dentist)
  const resolved = resolveChoices(card?.choices ?? {}, plain.choices, plain.visitChoices, plain)
  const choices = Object.fromEntries(Object.entries(resolved).map(([name, c]) => [name, c.value])) as unknown as Choices
  const gone = [...plain.missing, ...plain.pontics]
  const unit = (t: Tooth): Unit => ({
    tooth: t,
    label: writeBoth(t, practice.notation),
    size: dimensions(t),
    cusps: functionalCusps(t, plain.crossbite),
    ...neighbours(t, gone),
  })
  const kind = kindFacts(plain.kind)
  const order = archOrder(jawOf(plain.teeth[0]!), isPrimary(plain.teeth[0]!) ? 'primary' : 'permanent')
  const along = (teeth: readonly Tooth[]): Tooth[] => teeth.toSorted((a, b) => order.indexOf(a) - order.indexOf(b))
  return {
    kind,
    request: noting(plain, (key) => asked.facts.add(key)),
    practice,
    resolved,
    choices: noting(choices, (key) => asked.choices.add(key as ChoiceName)),
    units: plain.teeth.map(unit),
    pontics: along(plain.pontics).map(unit),
    restoration: plain.restoration ?? kind.restorations[0],
    jaw: jawOf(plain.teeth[0]!),
    has: (a) => plain.alerts.includes(a),
    asked,
    sheet: { alreadyOn: false, staysOn: false, teeth: plain.teeth, offStep: 'isolation.dam-off' },
  }
}

/** Whether the dentist's card adds a hold of this name. */
export function cardAdds(c: Case, hold: 'margins' | 'bite'): boolean {
  return c.practice.cards.some((card) => card.dentistId === c.request.team.dentist && card.extraHolds.includes(hold))
}

/** The teeth worked on, in words; a bridge names what it replaces. */
export const labels = (c: Case): string => c.units.map((u) => u.label).join(', ')
/** Units a laboratory would count: abutments and pontics. */
export const unitCount = (c: Case): number => c.units.length + c.pontics.length
/** The surfaces of a tooth's filling or inlay; `usual` where the case does not say. */
export const surfacesOf = (c: Case, u: Unit, usual: string): string => c.request.surfaces[u.tooth] ?? usual
/** The proximal boxes of a tooth: mesial before distal. */
export const boxesOf = (surfaces: string): ('mesial' | 'distal')[] =>
  (['mesial', 'distal'] as const).filter((s) => surfaces.includes(s[0]!.toUpperCase()))
