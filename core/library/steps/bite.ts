import { open, practice } from '../needs'

/** What every look at the bite has in common; what is wanted of it hangs on its stage. */
export const bite = {
  phase: 'finishing',
  fn: 'occlusal check',
  place: 'mouth',
  helped: true,
  told: 'checked and adjusted the bite',
  detail: '$Checks.',
  reason: practice('$why'),
  bite: '$stage',
  needs: [{ if: '$paper', use: [open('articulating paper', 2)] }],
} as const
