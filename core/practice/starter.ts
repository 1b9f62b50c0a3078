import { starterBurs, starterItems } from '../catalog/starter'
import { presetTable } from './functions'
import { practice, type Practice } from './practice'

/**
 * A practice to begin with where none is on record: generic items and burs, one dentist, one assistant, cautious and
 * expanded presets. The shell uses it when no practice is handed over, and the tests start from it.
 */
export function starterPractice(): Practice {
  const setOn = '2026-01-01'
  return practice.parse({
    name: 'Starter practice',
    chairs: [{ id: 'chair-1', name: 'Chair 1' }],
    people: [
      { id: 'dentist', name: 'The dentist', roles: ['dentist'] },
      { id: 'assistant', name: 'The assistant', roles: ['assistant'] },
    ],
    cards: [{ dentistId: 'dentist' }],
    functions: {
      cautious: presetTable('cautious', 'preset', setOn),
      expanded: presetTable('expanded', 'preset', setOn),
    },
    items: starterItems,
    burs: starterBurs,
    lots: starterItems
      .filter((i) => i.tracked)
      .map((i) => ({ id: `lot-${i.id}`, itemId: i.id, number: `S-${i.id}`, expires: '2029-12-31', left: 5000 })),
  })
}
