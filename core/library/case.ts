import { firstOf } from '../sure'
import { rulesOf, type RuleId, type Rules } from '../rules'
import { factsOf, type AlsoWork, type ToothFacts, type VisitRequest } from '../model/request'
import type { Alert, Restoration } from '../vocabulary'
import { resolveChoices, valuesOf, type ChoiceName, type Choices, type ResolvedChoices } from '../practice/choices'
import type { Practice } from '../practice/practice'
import { dimensions, type Dimensions } from '../teeth/dimensions'
import { archFrom, functionalCusps, neighbours, type Cusps, type Neighbour } from '../teeth/arch'
import { jawOf, write, writeBoth, type Tooth } from '../teeth/notation'
import { isChild } from '../measure/anaesthetic'
import { kindFacts, type KindFacts } from '../kinds'

/** A neighbour of a tooth worked on; `said` as the practice writes it, empty where there is none. */
type Beside = Neighbour & { said: string }

/** One tooth of the visit with what the phases ask of it. */
export interface Unit {
  tooth: Tooth
  /** In two notations, the practice's own first: where a mistake could hurt. */
  label: string
  /** As the practice writes it: everywhere else. A sentence never holds a tooth's code. */
  said: string
  size: Dimensions
  cusps: Cusps | null
  mesial: Beside
  distal: Beside
  /** What is said of this tooth, by name; that it was asked is noted. */
  says: <K extends keyof ToothFacts>(fact: K) => ToothFacts[K]
}

/** What may have to be asked of a work or its patient: all of a request but who, when, and how. */
export type AskedOfWork = Exclude<
  keyof VisitRequest,
  'kind' | 'date' | 'team' | 'alerts' | 'also' | 'choices' | 'visitChoices' | 'swaps' | 'ofTooth'
>

/** What was looked at while a plan was made: the Case screen shows these and no others. */
export interface Asked {
  facts: Set<string>
  choices: Set<ChoiceName>
  rules: Set<RuleId>
}

/** The case as the phases see it: request and practice with everything resolved. */
export interface Case {
  kind: KindFacts
  /** Who, when and what kind: what nobody has to be asked for. */
  request: Pick<VisitRequest, 'kind' | 'date' | 'team' | 'alerts' | 'swaps'>
  /** What is said of the work and the patient, by name; that it was asked is noted. */
  asks: <K extends AskedOfWork>(fact: K) => VisitRequest[K]
  /** The school followed in a question; that it was asked is noted. */
  school: <N extends ChoiceName>(question: N) => Choices[N]
  practice: Practice
  resolved: ResolvedChoices
  units: Unit[]
  pontics: Unit[]
  restoration: Restoration | null
  jaw: 'upper' | 'lower'
  has: (alert: Alert) => boolean
  /** A tooth as the practice writes it. */
  say: (tooth: Tooth) => string
  /** A named time or amount of the trade, as this practice has it. */
  rule: Rules
  asked: Asked
  /** Under general anaesthesia: nobody bites, swallows or is told; every minute counts. */
  asleep: boolean
  /** Gum is cut in this work: what comes after it bleeds. */
  gumCut: boolean
  /** What an earlier work of the visit has done for this one, too: its rolls are in, its mould takes in these teeth. */
  before: { rolls: boolean; mould: boolean }
  /** Where the sheet of the work before stays on for this one, or this one's stays on for the next, `under` it the works to come. */
  sheet: {
    alreadyOn: boolean
    staysOn: boolean
    teeth: readonly Tooth[]
    under: readonly Case[]
    offStep: string
  }
}

/** A case whose work is a restoration. */
export type RestoredCase = Case & { restoration: Restoration }
const isRestored = (c: Case): c is RestoredCase => c.restoration !== null
/** The case with its restoration in its type. @throws Error where its kind has none: a fault of the library. */
export function restored(c: Case): RestoredCase {
  if (!isRestored(c)) throw new Error(`${c.kind.title} makes no restoration`)
  return c
}

/**
 * Resolves choices (card < case < visit) and looks up each tooth once.
 * @param work one of the visit's further pieces of work, whose facts stand in place of the request's own.
 */
export function openCase(whole: VisitRequest, practice: Practice, work?: AlsoWork): Case {
  const plain: VisitRequest = work ? { ...whole, ...work } : whole
  const asked: Asked = { facts: new Set(), choices: new Set(), rules: new Set() }
  const rules = rulesOf(practice.rules)
  const card = practice.cards.find((c) => c.dentistId === plain.team.dentist)
  const resolved = resolveChoices(card?.choices ?? {}, plain.choices, plain.visitChoices, plain)
  const choices = valuesOf(resolved)
  const gone = [...plain.missing, ...plain.pontics]
  const say = (t: Tooth): string => write(t, practice.notation)
  const beside = (n: Neighbour): Beside => ({ ...n, said: n.tooth ? say(n.tooth) : '' })
  const unit = (t: Tooth): Unit => {
    const { mesial, distal } = neighbours(t, gone)
    return {
      tooth: t,
      label: writeBoth(t, practice.notation),
      said: say(t),
      size: dimensions(t),
      cusps: functionalCusps(t, plain.crossbite),
      mesial: beside(mesial),
      distal: beside(distal),
      says: (fact) => {
        asked.facts.add(fact)
        return factsOf(plain, t)[fact]
      },
    }
  }
  const kind = kindFacts(plain.kind)
  const order = archFrom(firstOf(plain.teeth))
  const along = (teeth: readonly Tooth[]): Tooth[] => teeth.toSorted((a, b) => order.indexOf(a) - order.indexOf(b))
  return {
    kind,
    request: plain,
    asks: (fact) => {
      asked.facts.add(fact)
      return plain[fact]
    },
    school: (question) => {
      asked.choices.add(question)
      return choices[question]
    },
    practice,
    resolved,
    units: plain.teeth.map(unit),
    pontics: along(plain.pontics).map(unit),
    restoration: plain.restoration,
    jaw: jawOf(firstOf(plain.teeth)),
    has: (a) => plain.alerts.includes(a),
    say,
    rule: (rule) => {
      asked.rules.add(rule)
      return rules(rule)
    },
    asked,
    asleep: false,
    gumCut: false,
    before: { rolls: false, mould: false },
    sheet: { alreadyOn: false, staysOn: false, teeth: plain.teeth, under: [], offStep: 'isolation.dam-off' },
  }
}

/** Under which age and weight this practice doses as a child. */
export const childBounds = (c: Pick<Case, 'rule'>): { years: number; kg: number } => ({
  years: c.rule('child.years').value,
  kg: c.rule('child.kg').value,
})

/** Whether the patient is dosed as a child, by age and weight and never by the teeth worked on; not known where neither is. */
export function childOf(c: Pick<Case, 'asks' | 'rule'>): boolean | undefined {
  return isChild({ ageYears: c.asks('ageYears'), weightKg: c.asks('weightKg') }, childBounds(c))
}

/** Whether the dentist's card adds a hold of this name. */
export function cardAdds(c: Case, hold: 'margins' | 'bite'): boolean {
  return c.practice.cards.some((card) => card.dentistId === c.request.team.dentist && card.extraHolds.includes(hold))
}

/** The teeth worked on, in words; a bridge names what it replaces. */
export const labels = (c: Case): string => c.units.map((u) => u.label).join(', ')
/** Units a laboratory would count: abutments and pontics. */
export const unitCount = (c: Case): number => c.units.length + c.pontics.length
/** The teeth of the visit's own work, for what is read of each. */
export const teethOf = (c: Pick<Case, 'units'>): Tooth[] => c.units.map((u) => u.tooth)
