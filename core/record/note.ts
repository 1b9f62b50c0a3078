/** The chart note: composed from the plan and the run's events alone, in full sentences. */
import { oneLine } from '../bounded'
import { capital, ended } from '../words'
import { firstOf, lastOf, sure } from '../sure'
import { ownRuleLines } from '../rules'
import { isClock } from '../model/link'
import { alertSaid, alertWords } from '../vocabulary'
import type { Plan } from '../model/plan'
import type { RunEvent } from '../run/events'
import { handoffWords } from '../run/handoffs'
import { lightSums } from '../run/light'
import { readingOfKind, spokenOf } from '../readings'
import { replay, type RunCore, stepState, tallyOf, countState, holdState, edgeOf } from '../run/state'
import type { Touches } from '../run/touches'
import { toothName, writeAll } from '../teeth/notation'
import { plainDate, spanWords, timeOfDay } from '../clock'
import { trayReadiness } from '../plan/ready'
import { alertsSince, besideSentences, cassetteSentences } from './beside'
import { patientInstructions } from './instructions'
import { said, teethSaid } from '../model/said'
import { cordSentences } from './cords'

export interface NoteSection {
  title: string
  sentences: string[]
}
export interface ChartNote {
  title: string
  library: string
  sections: NoteSection[]
  instructions: string[]
}

/** Who signed the tray, what had been read before, and which dentist answered what a clash left to them. */
export interface TraySignature {
  signedBy: string
  signedAt: number
  acknowledged: readonly string[]
  answeredBy: string | null
}

interface Telling {
  plan: Plan
  core: RunCore
  events: readonly RunEvent[]
  zone: string
  left: Touches['left']
  /** The time of day; with its date where that is not the visit's. */
  time: (ms: number) => string
  name: (personId: string | undefined) => string
  done: (stepId: string) => boolean
}

const list = (words: string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

/** From when to when the visit went. That it lay untouched for hours is said: what was told of later was not done at that time. */
function courseSentences({ core: { closedAt }, left, time }: Telling, startedAt: number): string[] {
  const began = `The visit began at ${time(startedAt)}`
  const closed =
    closedAt === undefined ? `${began} and is not closed yet` : `${began} and was closed at ${time(closedAt)}`
  if (left !== undefined)
    return [
      `${closed}.`,
      `Nothing was touched from ${time(left.from)} to ${time(left.to)}: what follows bears the time at which it was written down.`,
    ]
  return [
    closedAt === undefined ? `${closed}.` : `${closed}, ${Math.round((closedAt - startedAt) / 60_000)} minutes later.`,
  ]
}

function visitSection(t: Telling, who: { name: string }): NoteSection {
  const teeth = t.plan.teeth.map((x) => `${writeAll(x.tooth, t.plan.notation).slice(0, -1)}, ${toothName(x.tooth)})`)
  const alerts = t.plan.request.alerts.map((a) => alertWords[a])
  // The titles of combined work are joined by “ + ” on a screen; in a letter they are a list.
  const works = list(t.plan.title.split(' + ').map(lower))
  const sentences = [`${who.name} came for ${works}: ${list(teeth)}.`]
  if (t.core.startedAt !== undefined) sentences.push(...courseSentences(t, t.core.startedAt))
  const late = alertsSince(t.events).map((a) => `${alertSaid(a)}, entered while the visit ran`)
  const all = [...alerts, ...late]
  sentences.push(all.length > 0 ? `Alerts on record: ${list(all)}.` : 'No alerts on record.')
  sentences.push(...cassetteSentences(t.events, t), ...besideSentences(t.events, t))
  sentences.push(
    `Treated by ${sure(t.plan.people.find((p) => p.dentist)).name}, assisted by ${list(t.plan.people.filter((p) => !p.dentist).map((p) => p.name))}.`,
  )
  return { title: 'Visit', sentences }
}

/** The tray: who signed it, over what, and the dentist's answers to what clashed. */
function traySection(t: Telling, signed: TraySignature): NoteSection {
  const { toAcknowledge, forDentist } = trayReadiness(t.plan, new Set())
  const answered = new Set(signed.answeredBy === null ? [] : forDentist.map((a) => a.id))
  const read = toAcknowledge.filter((a) => signed.acknowledged.includes(a.id) && !answered.has(a.id))
  return {
    title: 'Tray',
    sentences: [
      `Signed by ${t.name(signed.signedBy)} on ${plainDate(signed.signedAt, t.zone)} at ${timeOfDay(signed.signedAt, t.zone)}.`,
      ...read.map((a) => `Read before: ${ended(a.text)}`),
      ...forDentist
        .filter((a) => answered.has(a.id))
        .map((a) => `Answered by ${t.name(signed.answeredBy ?? undefined)}, with their own code: ${ended(a.text)}`),
    ],
  }
}

const tries = ['', '', 'second', 'third', 'fourth', 'fifth']

interface Act {
  by: string
  words: string
  at: string
}
/** What one person did in a row is one sentence of at most three acts; one that lists things stands alone. */
function sentencesOf(acts: readonly Act[]): string[] {
  const isList = (a: Act): boolean => /[:;]/.test(a.words)
  const groups: Act[][] = []
  for (const act of acts) {
    const open = groups.at(-1)
    const goesOn = open && open.length < 3 && firstOf(open).by === act.by && ![...open, act].some(isList)
    if (goesOn) open.push(act)
    else groups.push([act])
  }
  return groups.map((g) => {
    const told = g.map((a) => `${a.words} (${a.at})`)
    return `${firstOf(g).by} ${told.slice(0, -1).join(', ')}${told.length > 1 ? ', then ' : ''}${lastOf(told)}.`
  })
}

/** What was done, as a colleague would write it: in the order it happened, who, what and when. */
function workSection(t: Telling): NoteSection {
  const done = t.plan.steps.flatMap((step) => {
    const state = stepState(t.core, step.id)
    return step.told && state.status === 'done' ? [{ told: step.told, ...state }] : []
  })
  const sentences = sentencesOf(
    done
      .toSorted((a, b) => a.finishedAt - b.finishedAt)
      .map(({ told, finishedAt, performer, rounds }) => {
        const round = rounds + 1
        const again = round > 1 ? `, at the ${tries[round] ?? `${round}th`} try` : ''
        return { by: t.name(performer), words: `${told}${again}`, at: t.time(finishedAt) }
      }),
  )
  return { title: 'Done', sentences: sentences.length > 0 ? sentences : ['Nothing yet.'] }
}

function materialSection(t: Telling): NoteSection {
  const used = t.plan.setup.filter((l) => !l.reusable && l.readiness === 'open' && l.steps.some(t.done))
  const lots = used
    .filter((l) => l.lot?.number)
    .map(
      (l) =>
        `${l.name}${l.piecesMm ? ` (${l.piecesMm.map((mm) => `${mm} mm`).join(', ')})` : l.unit === 'piece' ? '' : ` ${l.quantity} ${l.unit}`}, lot ${sure(l.lot).number}, expires ${sure(l.lot).expires}`,
    )
  const plain = used.filter((l) => !l.lot?.number).map((l) => lower(l.name))
  const burs = t.plan.burs.flatMap((b) => (b.bur && b.cuts.some((c) => t.done(c.stepId)) ? [lower(b.bur.name)] : []))
  return {
    title: 'Materials',
    sentences: [
      ...(lots.length > 0 ? [`Used with lots: ${lots.join('; ')}.`] : ['No material with a lot was used.']),
      ...(plain.length > 0 ? [`Also used: ${plain.join('; ')}.`] : []),
      ...(burs.length > 0 ? [`Burs in order of use: ${[...new Set(burs)].join('; ')}.`] : []),
    ],
  }
}

function countSection(t: Telling): NoteSection {
  const sentences = t.plan.counts
    .filter((c) => tallyOf(t.core, c.id).in > 0)
    .map((c) => {
      const n = tallyOf(t.core, c.id)
      const is = countState(c, t.core)
      const left = is.kind === 'still in' ? `, ${is.n} still in` : ''
      return `${capital(c.what)}: ${n.in} in, ${n.out} out${c.stays > 0 ? `, ${c.stays} meant to stay` : ''}${left}.`
    })
  const undone = new Set(t.events.flatMap((e) => (e.what.kind === 'undone' ? [e.what.commandId] : [])))
  const fewer = t.events.flatMap((e): string[] => {
    if (e.what.kind !== 'count.moved' || e.what.direction !== 'in' || e.what.n >= 0 || undone.has(e.commandId))
      return []
    const { countId, n, reason, looked, film } = e.what
    const what = t.plan.counts.find((c) => c.id === countId)?.what ?? countId
    return [
      `${t.time(e.at)} ${t.name(e.by)} took ${-n} off what went in of ${what}, because: ${reason ?? 'not said'}${looked === undefined ? '' : `; looked for: ${looked}`}${film === undefined ? '' : `; film: ${film}`}.`,
    ]
  })
  return {
    title: 'Counts',
    sentences: sentences.length > 0 ? [...sentences, ...fewer] : ['Nothing that is counted went in.', ...fewer],
  }
}

function holdSection(t: Telling): NoteSection {
  return {
    title: 'Approved by the dentist',
    sentences: t.plan.holds.map((h) => {
      const state = holdState(t.core, h.id)
      if (state.status === 'signed')
        return `${h.title}: signed by ${t.name(state.by)} at ${t.time(state.at)}${state.codeAgoS === undefined ? '' : `, by a touch on the own device ${spanWords(state.codeAgoS)} after the code`}.`
      if (state.status === 'waved')
        return `${h.title}: not signed; waved on by ${t.name(state.by)} at ${t.time(state.at)}, because: ${state.reason}.`
      return `${h.title}: open.`
    }),
  }
}

/** What went otherwise than planned, with the reasons given at the time. */
function deviationSection(t: Telling): NoteSection {
  const title = (id: string): string => t.plan.steps.find((s) => s.id === id)?.title ?? id
  const sentences: string[] = []
  for (const s of t.plan.steps) {
    const state = stepState(t.core, s.id)
    if (state.status === 'skipped') sentences.push(`Left out: ${s.title}, because: ${state.reason}.`)
  }
  const undone = new Set(t.events.flatMap((e) => (e.what.kind === 'undone' ? [e.what.commandId] : [])))
  const told = new Set<string>()
  for (const e of t.events) {
    if (e.what.kind !== 'step.reopened' || undone.has(e.commandId) || told.has(e.commandId)) continue
    told.add(e.commandId)
    sentences.push(
      `${t.time(e.at)} Done over from “${title(e.what.stepId)}” on ${t.name(e.by)}’s word, because: ${e.what.reason}.`,
    )
  }
  for (const [linkId, a] of Object.entries(t.core.accepted)) {
    const link = t.plan.links.filter(isClock).find((l) => l.id === linkId)
    sentences.push(
      `${t.time(a.at)} Went on after “${link?.title ?? linkId}” had closed; accepted by ${t.name(a.by)}, because: ${a.reason}.`,
    )
  }
  return { title: 'Otherwise than planned', sentences: sentences.length > 0 ? sentences : ['Nothing.'] }
}

/** What was read, as it was read last before the visit went on, and the light each tooth was given. */
const measuredSentences = (t: Telling): string[] => [
  ...[...t.core.spent, ...t.core.measured].map(
    (m) => `${t.time(m.at)} ${spokenOf(t.plan, m, readingOfKind(m.measure).name.toLowerCase())}: ${m.says.join('; ')}.`,
  ),
  ...lightSums(t.plan, t.core)
    .filter((s) => s.givenS > 0)
    .map(
      (s) =>
        `Light${s.tooth ? ` on ${said(t.plan, s.tooth)}` : ''}: ${s.givenS} s in ${s.curesDone} cure${s.curesDone === 1 ? '' : 's'}.`,
    ),
]

/** The practice's own values this visit was planned with, and how long the clocks they set really ran. */
function ownSentences(t: Telling): string[] {
  const kept = t.plan.links.flatMap((l): string[] => {
    if (l.kind === 'order' || !l.own || l.from === l.to) return []
    const from = edgeOf(stepState(t.core, l.from), l.fromEdge)
    const to = edgeOf(stepState(t.core, l.to), l.toEdge)
    return from === undefined || to === undefined ? [] : [`${l.title}: ${spanWords((to - from) / 1000)}.`]
  })
  const lines = ownRuleLines(t.plan.rules)
  return lines.length === 0 ? [] : [...lines.map((l) => `${l}.`), ...new Set(kept)]
}

/** What was said between the two sides of the chair, and when it was seen. */
function handoffSentences(t: Telling): string[] {
  return t.events.flatMap((e, i): string[] => {
    if (e.what.kind !== 'handoff.called') return []
    const { handoff, minutes } = e.what
    const seen = t.events
      .slice(i + 1)
      .find((o) => (o.what.kind === 'handoff.seen' || o.what.kind === 'handoff.called') && o.what.handoff === handoff)
    const answer =
      seen?.what.kind === 'handoff.seen' ? `seen by ${t.name(seen.by)} at ${t.time(seen.at)}` : 'not marked as seen'
    return [`${t.time(e.at)} ${t.name(e.by)}: ${lower(handoffWords(handoff, minutes))}; ${answer}.`]
  })
}

/** What was heard later than this after it was touched is said so, ms: shorter is a hiccup of the network. */
const heardLaterMs = 60_000

/** Touches that waited on their device: told with their own time, and with the time the server heard of them. */
function heardLaterSentences(t: Telling): string[] {
  const batches = new Map<string, RunEvent[]>()
  for (const e of t.events)
    if (e.receivedAt !== undefined && e.receivedAt - e.at >= heardLaterMs) {
      const key = `${e.device} ${t.time(e.receivedAt)}`
      batches.set(key, [...(batches.get(key) ?? []), e])
    }
  return [...batches.values()].map((es) => {
    const [first, last] = [firstOf(es), lastOf(es)]
    const touches = new Set(es.map((e) => e.commandId)).size
    return `${touches} ${touches === 1 ? 'touch' : 'touches'} of ${t.time(first.at)}${first === last ? '' : ` to ${t.time(last.at)}`}, by ${t.name(first.by)}, heard by the server at ${t.time(last.receivedAt ?? last.at)}; the times are the device’s.`
  })
}

/**
 * Composes the note of a visit. Derived from plan and events only, so the same run always reads the same.
 * @param patient the name the note carries.
 * @param others people of the practice: whoever acted without being of the visit’s team is named, and that it was so said.
 * @param signed how the tray was signed, where that is known.
 */
export function composeNote(
  plan: Plan,
  events: readonly RunEvent[],
  patient: { name: string },
  zone: string,
  others: readonly { id: string; name: string }[] = [],
  signed?: TraySignature,
): ChartNote {
  const { core, touches } = replay(plan, events)
  const day = core.startedAt === undefined ? plan.request.date : plainDate(core.startedAt, zone)
  const undone = new Set(events.flatMap((e) => (e.what.kind === 'undone' ? [e.what.commandId] : [])))
  const t: Telling = {
    plan,
    core,
    events,
    zone,
    left: touches.left,
    time: (ms) => [plainDate(ms, zone), timeOfDay(ms, zone)].filter((word) => word !== day).join(' '),
    name: (id) => {
      const own = plan.people.find((p) => p.id === id)?.name
      if (own !== undefined || id === undefined) return own ?? 'somebody'
      return `${others.find((p) => p.id === id)?.name ?? id} (not of this visit’s team)`
    },
    done: (id) => stepState(core, id).status === 'done',
  }
  const own = ownSentences(t)
  const later = heardLaterSentences(t)
  const cords = cordSentences(plan, events, undone)
  const notes = events.flatMap((e) =>
    e.what.kind === 'note.added' && !undone.has(e.commandId) ? [`${t.time(e.at)} ${t.name(e.by)}: ${e.what.text}`] : [],
  )
  return inLines({
    title: `${plan.title}, ${teethSaid(plan)}, ${day}`,
    library: plan.library,
    sections: [
      visitSection(t, patient),
      ...(signed ? [traySection(t, signed)] : []),
      workSection(t),
      materialSection(t),
      countSection(t),
      holdSection(t),
      deviationSection(t),
      ...(cords.length > 0 ? [{ title: 'Cords', sentences: cords }] : []),
      ...(measuredSentences(t).length > 0 ? [{ title: 'Measured', sentences: measuredSentences(t) }] : []),
      ...(handoffSentences(t).length > 0 ? [{ title: 'Handed over', sentences: handoffSentences(t) }] : []),
      ...(later.length > 0 ? [{ title: 'Heard later', sentences: later }] : []),
      ...(own.length > 0 ? [{ title: 'This practice’s own times and amounts', sentences: own }] : []),
      ...(notes.length > 0 ? [{ title: 'Notes', sentences: notes }] : []),
      {
        title: 'Next',
        sentences:
          plan.followUps.length > 0
            ? plan.followUps.map((f) => `${f.title}, ${f.afterWorkingDays} working days after this visit.`)
            : ['No further visit follows from this one.'],
      },
    ],
    instructions: patientInstructions(plan, core),
  })
}

/** Each sentence is one line, whatever was typed into it: nobody writes a line of a record but the program. */
const inLines = (note: ChartNote): ChartNote => ({
  ...note,
  title: oneLine(note.title),
  sections: note.sections.map((s) => ({ title: oneLine(s.title), sentences: s.sentences.map(oneLine) })),
  instructions: note.instructions.map(oneLine),
})

/** A kept note with what was written to it after it was closed, each with its day, time and name. */
export function withAddenda(
  note: ChartNote,
  events: readonly RunEvent[],
  zone: string,
  people: readonly { id: string; name: string }[],
): ChartNote {
  const sentences = events.flatMap((e) =>
    e.what.kind === 'addendum.made'
      ? [
          `${plainDate(e.at, zone)} ${timeOfDay(e.at, zone)} ${people.find((p) => p.id === e.by)?.name ?? e.by}: ${e.what.text}`,
        ]
      : [],
  )
  const added = sentences.length === 0 ? [] : [{ title: 'Added after the visit was closed', sentences }]
  // A note that was kept by an earlier version is read in lines, too.
  return inLines({ ...note, sections: [...note.sections, ...added] })
}

/** The note as plain text, for copying and printing. */
export function noteText(note: ChartNote): string {
  return [
    note.title,
    ...note.sections.map((s) => `${s.title}\n${s.sentences.join('\n')}`),
    `Told to the patient\n${note.instructions.join('\n')}`,
  ].join('\n\n')
}
