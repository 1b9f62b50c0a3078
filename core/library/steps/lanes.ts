/**
 * Short choreographies: what several hands do within seconds of each other, by person. Seconds are our estimates where no row
 * of the register is named; the dentist’s hand sets the pace.
 */
import { practice, reason } from '../needs'

const making = { by: 'either', fn: 'provisional making' } as const

/** Wash and tray by person: one offset, from the window the plan itself works with. */
export const washAndTray = {
  title: 'Wash and tray',
  from: 'impression.$(mark)inject',
  acts: [
    {
      id: 'wash',
      say: '{Wash}, without leaving the material',
      takesS: '$washS',
      by: 'dentist',
      fn: 'final impression',
    },
    {
      id: 'tray',
      say: 'Load the {tray}',
      takesS: { amount: 'tray.load' },
      by: 'assistant',
      fn: 'chairside',
      notBeforeS: '$trayStartS',
    },
    {
      id: 'seat',
      say: '{Syringe} away, {tray} down',
      takesS: 10,
      by: 'dentist',
      fn: 'final impression',
      after: ['wash', 'tray'],
    },
  ],
  // The working time runs from the loaded syringe: what is left of it once the wash begins is the clock's to say.
  because: practice('$windowBecause; working time $workingS s'),
  waysOut: 'a second pair of hands for the tray',
} as const

/** One more lift of a rubbery provisional. */
export const liftAgain = { ...making, say: 'Lift, and seat it again', takesS: 4, after: ['first'] } as const
/** Mixed, seated, felt, lifted and seated again until it slides, out: by whoever makes it; the other cools it. */
export const rubbery = {
  title: 'Rubbery provisional',
  from: 'provisional.mix',
  acts: [
    { ...making, id: 'mix', say: 'Mix into the mould', takesS: 20 },
    { ...making, id: 'seat', say: 'Seat the mould', takesS: 12, after: ['mix'] },
    {
      ...making,
      id: 'first',
      say: 'Rubbery? First lift',
      takesS: 4,
      after: ['seat'],
      notBeforeS: { amount: 'bis-acryl.rubbery' },
    },
    '$lifts',
    { ...making, id: 'out', say: 'Out now', takesS: 4, after: ['first'], notBeforeS: { amount: 'bis-acryl.out' } },
  ],
  because: {
    rows: ['bis-acryl.rubbery', 'bis-acryl.out'],
    text: 'first lift between $(bis-acryl.rubbery:n) and $(bis-acryl.out) from the mix, by product and warmth; the bead tells better',
  },
  waysOut: 'somebody who may make provisionals',
} as const

/** Cement by person: mixed and loaded at the bench while the tooth is dried once more, seated in its time. */
export const cementing = {
  title: 'Cement: mix, load, seat',
  from: 'delivery.mix',
  acts: [
    { id: 'mix', say: 'Mix the {cement}', takesS: 25, by: 'assistant', fn: 'chairside' },
    {
      id: 'load',
      say: 'Thin along the inner edge, hand it',
      takesS: 20,
      by: 'assistant',
      fn: 'chairside',
      after: ['mix'],
    },
    {
      id: 'dry',
      say: 'Tooth dried once more, {rolls} changed',
      takesS: 15,
      by: 'dentist',
      fn: 'chairside',
      notBeforeS: 25,
    },
    {
      id: 'seat',
      say: 'Seat, steady pressure',
      takesS: 20,
      by: 'dentist',
      fn: 'placing',
      after: ['load', 'dry'],
    },
  ],
  withinS: { amount: 'cement.seat' },
  because: { row: 'cement.seat' },
  waysOut: 'a cement with a longer working time, or a second pair of hands at the bench',
} as const

/**
 * The 20 s and 90 s clock, by person. Standing C: bond on the metal first and blown, the cement's mix begins at 20 s while the
 * dentist bonds the teeth, all seated within 90 s of the first mix.
 */
export const etchedMetal = {
  title: 'Etched metal bridge: bond, cement, seat',
  from: 'delivery.bond-mix',
  acts: [
    { id: 'metal', say: 'Mix the bond, on the metal, blow', takesS: 15, by: 'assistant', fn: 'chairside' },
    { id: 'teeth', say: '{Bond} on the teeth, blow', takesS: 15, by: 'dentist', fn: 'bonding', after: ['metal'] },
    {
      id: 'mix',
      say: 'Mix the {cement}',
      takesS: 20,
      by: 'assistant',
      fn: 'chairside',
      after: ['metal'],
      notBeforeS: { amount: 'metal bridge.cement' },
    },
    {
      id: 'load',
      say: '{Cement} on the retainers, hand the bridge',
      takesS: 10,
      by: 'assistant',
      fn: 'chairside',
      after: ['mix'],
    },
    {
      id: 'seat',
      say: 'Seat, press on every retainer',
      takesS: 12,
      by: 'dentist',
      fn: 'placing',
      after: ['teeth', 'load'],
    },
  ],
  withinS: { amount: 'metal bridge.seated' },
  because: practice('all seated within $(metal bridge.seated) of the first mix'),
  waysOut: 'a third pair of hands for the cement; or the bond on the metal laid on and blown before the clock begins',
} as const

/** Bead and tack: the dentist presses with both hands, so the light is the assistant's. 5 and 1 s common practice. */
export const beadAndTack = {
  title: 'Bead and tack',
  acts: [
    { id: 'beads', say: 'Two beads at the corners of the {band}', takesS: 10, by: 'dentist', fn: 'placing' },
    {
      id: 'press',
      say: 'Press the {band} to the neighbour',
      takesS: 5,
      by: 'dentist',
      fn: 'matrix placement',
      after: ['beads'],
    },
    { id: 'still', say: 'Hold it pressed', takesS: 2, by: 'dentist', fn: 'matrix placement', after: ['press'] },
    { id: 'tack', say: 'Light on, 1 s, and off', takesS: 2, by: 'assistant', fn: 'curing', with: 'still' },
    { id: 'out', say: 'Instrument out, straight', takesS: 3, by: 'dentist', fn: 'matrix placement', after: ['still'] },
    { id: 'again', say: 'Light again, 1 s', takesS: 1, by: 'assistant', fn: 'curing', after: ['out'] },
  ],
  because: practice('5 s pressed, tacked 1 s while it is pressed, 1 s again when the instrument is out'),
  waysOut: 'somebody to hold the light',
} as const

/** The two polishing phases. Common practice. */
const polish = {
  because: practice('first dry and light with gentle air, then wet and firm with full spray'),
  waysOut: 'somebody for air and water',
} as const
export const polishDry = {
  ...polish,
  title: 'First polish: dry and light',
  acts: [
    { id: 'cup', say: '{Cup} with paste, light hand, dry', takesS: 30, by: 'dentist', fn: 'polishing' },
    {
      id: 'air',
      say: 'Gentle air on the {cup}; paste again every 3 s',
      takesS: 30,
      by: 'assistant',
      fn: 'chairside',
      with: 'cup',
    },
  ],
} as const
export const polishWet = {
  ...polish,
  title: 'Second polish: wet and firm',
  acts: [
    { id: 'cup', say: 'Same {cup}, firm', takesS: 30, by: 'dentist', fn: 'polishing' },
    {
      id: 'spray',
      say: 'Full water and air on the {cup}, {suction} beside it',
      takesS: 30,
      by: 'assistant',
      fn: 'chairside',
      with: 'cup',
    },
  ],
} as const

/** One piece of gold by person, again and again: flame, hand over, then condenser and mallet together. */
const gold = (what: 'Pellet' | 'Foil', tells: string, flameS: number, condenseS: number, likelyMin: number) =>
  ({
    title: {
      if: ['$n', 'is', 1],
      use: `${what} once: flame, condenser, mallet`,
      else: `${what} by ${what.toLowerCase()}: flame, condenser, mallet`,
    },
    acts: [
      { id: 'flame', say: `${what} into the flame`, takesS: flameS, by: 'assistant', fn: 'chairside' },
      {
        id: 'hand',
        say: `Out of the flame (${tells}): hand it over`,
        takesS: 4,
        by: 'assistant',
        fn: 'chairside',
        after: ['flame'],
      },
      {
        id: 'condense',
        say: 'Condense, overlapping steps',
        takesS: condenseS,
        by: 'dentist',
        fn: 'placing',
        after: ['hand'],
      },
      { id: 'mallet', say: 'Tap in step', takesS: condenseS, by: 'assistant', fn: 'chairside', with: 'condense' },
    ],
    everyS: '$everyS',
    times: '$n',
    // Smoke gone and dull red tell better than seconds in the flame.
    because: reason(`$n over about ${likelyMin} min; ${tells} tells better than the clock`, 'estimate'),
    waysOut: 'a third pair of hands at the flame, or a mallet that taps by itself',
  }) as const
export const powderedGold = gold('Pellet', 'no more smoke: the wax is gone', 10, 40, 5)
export const cohesiveGold = gold('Foil', 'dull red', 2, 50, 17)
