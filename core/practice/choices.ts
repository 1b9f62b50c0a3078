/** Where practitioners disagree: the schools, the default of each question and why. Card < case < visit; the later wins. */
import * as z from 'zod'

export const choices = z.strictObject({
  isolation: z.enum(['dam throughout', 'rolls and suction']),
  cord: z.enum(['single', 'double', 'none']),
  cordAgent: z.enum(['aluminium chloride', 'plain', 'ferric sulphate', 'adrenaline']),
  impression: z.enum(['addition silicone, dual-arch', 'polyether, custom tray', 'optical scan']),
  provisional: z.enum(['bis-acryl in preliminary impression', 'bis-acryl in putty index']),
  functions: z.enum(['cautious', 'expanded']),
})
export type Choices = z.infer<typeof choices>
export type ChoiceName = keyof Choices
export const someChoices = choices.partial()

export interface School<N extends ChoiceName = ChoiceName> {
  value: Choices[N]
  label: string
  note: string
}
export interface Question<N extends ChoiceName = ChoiceName> {
  name: N
  title: string
  schools: School<N>[]
  standard: Choices[N]
  why: string
}

const question = <N extends ChoiceName>(q: Question<N>): Question<N> => q

/** Every question with its schools, in the order of the day. Standing C. */
export const questions = [
  question({
    name: 'isolation',
    title: 'Isolation while cutting',
    schools: [
      { value: 'rolls and suction', label: 'Rolls and suction', note: 'the margin under the tissue stays in reach; high-volume suction guards the throat' },
      { value: 'dam throughout', label: 'Dam throughout', note: 'dry, no debris in the throat; the sheet comes off for the tissue work' },
    ],
    standard: 'rolls and suction',
    why: 'most teams keep the sheet for adhesive and root-canal work; margins near the tissue need it off',
  }),
  question({
    name: 'cord',
    title: 'Retraction cord',
    schools: [
      { value: 'single', label: 'Single', note: 'one cord, drawn just before the material goes in' },
      { value: 'double', label: 'Double', note: 'a thin base cord stays during the impression, the top one is drawn' },
      { value: 'none', label: 'None', note: 'for a margin that is dry and in sight' },
    ],
    standard: 'single',
    why: 'enough for most single crowns; double for deep margins and several units',
  }),
  question({
    name: 'cordAgent',
    title: 'On the cord',
    schools: [
      { value: 'aluminium chloride', label: 'Aluminium chloride', note: '25 %, bitter: rinse it off before the impression' },
      { value: 'plain', label: 'Plain or saline', note: 'displacement only' },
      { value: 'ferric sulphate', label: 'Ferric sulphate', note: 'stains; what is left on the tooth harms addition silicone' },
      { value: 'adrenaline', label: 'Adrenaline', note: 'never with a heart, blood-pressure or medicine alert' },
    ],
    standard: 'aluminium chloride',
    why: 'holds fluid without a drug effect on the heart',
  }),
  question({
    name: 'impression',
    title: 'Final impression',
    schools: [
      { value: 'addition silicone, dual-arch', label: 'Silicone, dual-arch', note: 'both jaws and the bite in one; one or two units with neighbours on both sides' },
      { value: 'polyether, custom tray', label: 'Polyether, custom tray', note: 'tolerates damp; stiff, so undercuts are blocked out' },
      { value: 'optical scan', label: 'Optical scan', note: 'dry and clear; every surface checked before the cord is put away' },
    ],
    standard: 'addition silicone, dual-arch',
    why: 'for one or two units it gives the opposing teeth and the bite in the same act',
  }),
  question({
    name: 'provisional',
    title: 'Provisional',
    schools: [
      { value: 'bis-acryl in preliminary impression', label: 'In preliminary impression', note: 'taken before cutting, while the anaesthetic takes' },
      { value: 'bis-acryl in putty index', label: 'In putty index', note: 'stiff walls, trimmed to sit; also the gauge for reduction' },
    ],
    standard: 'bis-acryl in preliminary impression',
    why: 'quickest, and made while nobody waits',
  }),
  question({
    name: 'functions',
    title: 'Who may do what',
    schools: [
      { value: 'cautious', label: 'Cautious', note: 'what cannot be undone in the mouth is the dentist’s' },
      { value: 'expanded', label: 'Expanded', note: 'the practice’s expanded-function table; the dentist’s holds stay' },
    ],
    standard: 'cautious',
    why: 'the program knows no place’s law; the practice widens it after reading its board’s rules',
  }),
] as const

export type ChoiceSource = 'default' | 'card' | 'case' | 'visit'
export type ResolvedChoices = { [N in ChoiceName]: { value: Choices[N]; from: ChoiceSource } }

/** Resolves every question: default, then the dentist's card, the case, the visit. */
export function resolveChoices(card: Partial<Choices>, ofCase: Partial<Choices>, visit: Partial<Choices>): ResolvedChoices {
  const levels: [ChoiceSource, Partial<Choices>][] = [['visit', visit], ['case', ofCase], ['card', card]]
  const resolve = <N extends ChoiceName>(q: Question<N>): { value: Choices[N]; from: ChoiceSource } => {
    for (const [from, level] of levels) {
      const value = level[q.name]
      if (value !== undefined) return { value: value as Choices[N], from }
    }
    return { value: q.standard, from: 'default' }
  }
  return Object.fromEntries(questions.map((q) => [q.name, resolve(q as Question)])) as ResolvedChoices
}
