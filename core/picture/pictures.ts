/** The pictures of a visit for paper: each drawing once, with every step and tooth it stands for. */
import type { Plan } from '../model/plan'
import { said } from '../model/said'
import type { Step } from '../model/step'
import type { Tooth } from '../teeth/notation'
import { sectionOf } from './section'
import type { Section } from './section-frame'

export interface Picture {
  section: Section
  /** What is done, without the tooth; in the order of the visit. */
  titles: string[]
  teeth: Tooth[]
}

/** Two teeth of one visit show the same where the same is cut on the same sides, and the words differ by the tooth alone. */
const alike = (plan: Plan, { says, tooth, labels }: Section, { cut }: Step): string =>
  // A tooth may be a letter (S): it is looked for where it stands.
  [
    says.replace(`view of ${said(plan, tooth)}:`, ''),
    cut?.form,
    ...labels.filter((l) => l.lit).map((l) => l.side),
  ].join('|')

export function picturesOf(plan: Plan): Picture[] {
  const found = new Map<string, Picture>()
  for (const step of plan.steps) {
    const section = sectionOf(plan, step)
    if (!section) continue
    const own = `${said(plan, section.tooth)}: `
    const title = step.title.startsWith(own) ? step.title.slice(own.length) : step.title
    const key = alike(plan, section, step)
    const known = found.get(key)
    if (!known) found.set(key, { section, titles: [title], teeth: [section.tooth] })
    else {
      if (!known.titles.includes(title)) known.titles.push(title)
      if (!known.teeth.includes(section.tooth)) known.teeth.push(section.tooth)
    }
  }
  return [...found.values()]
}
