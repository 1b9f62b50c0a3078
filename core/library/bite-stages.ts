/** Every stage a restoration may be at when its bite is looked at, or is not: for what, when, with paper or without. Common practice. */

/** One stage at which a bite may be looked at. */
export interface BiteRow {
  /** What is wanted, in the words of the check; empty where nothing is checked. */
  checks: string
  when: string
  paper: boolean
  because: string
}

/** Every stage a restoration may be at. */
export const biteStages = {
  filling: {
    checks: 'close gently, then side to side; {paper}, ease the spot, again until even',
    when: 'the sheet is off; then it is polished',
    paper: true,
    because: 'what is ground after the polish is rough again',
  },
  amalgam: {
    checks: 'close without clenching; {paper}, carve, again until even',
    when: 'the sheet is off and it still carves; it is polished another day',
    paper: true,
    because: 'fresh amalgam is carved, not ground, and breaks under a hard bite',
  },
  'filling on a side': {
    checks: '',
    when: '',
    paper: false,
    because: 'no tooth bites on it',
  },
  provisional: {
    checks: 'light, even contact, free in side movements',
    when: 'before it is cemented',
    paper: true,
    because: 'once cemented it is ground with the cement still soft',
  },
  'provisional, out of contact': {
    checks: 'out of contact in every movement',
    when: 'before it is cemented',
    paper: true,
    because: 'a weak tooth, a weak cement or the dentist wants it so',
  },
  'no provisional': {
    checks: '',
    when: '',
    paper: false,
    because: 'the bite is as it was: what was cut is not bitten on',
  },
  'tried in': {
    checks: 'even with the teeth beside it, then in side movements',
    when: 'contacts and seat are right; before it is cemented',
    paper: true,
    because: 'it is set and polished in the hand; cemented, it is ground in the mouth',
  },
  'bonded piece': {
    checks: 'even in every movement; ease the spot, polish it',
    when: 'after the last light, the sheet off: ceramic that is not bonded yet cracks',
    paper: true,
    because: 'never bitten on before it is bonded',
  },
  room: {
    checks: 'room for the retainers or the ceramic in every bite',
    when: 'before anything is cut or layered',
    paper: true,
    because: 'what has no room is high on the day it is cemented',
  },
  'bonded bridge': {
    checks: 'bridge clear in side and forward movements, guidance on natural teeth',
    when: 'after the cure',
    paper: true,
    because: 'a retainer that guides is pulled off its tooth',
  },
  'preformed crown': {
    checks: 'closes as before, no tilt',
    when: 'the cement is cleared',
    paper: true,
    because: 'a crown that is not down tips and holds the bite open',
  },
  'recall of a bonded bridge': {
    checks: 'guidance on natural teeth, sideways and forward',
    when: 'each retainer has been tested',
    paper: true,
    because: 'teeth wear and move: what was clear may guide by now',
  },
  recall: {
    checks: '',
    when: '',
    paper: false,
    because: 'an ordinary recall looks at tissue and edges',
  },
} as const satisfies Record<string, BiteRow>
export type BiteStage = keyof typeof biteStages
