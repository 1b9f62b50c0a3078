/** Who is signed in on this device. */
import { createContext, useContext } from 'react'
import type { Person } from '../../wire/people'

export const PersonContext = createContext<Person | null>(null)
/** Only used below the shell, where somebody is. */
export function usePerson(): Person {
  const person = useContext(PersonContext)
  if (!person) throw new Error('no person outside the shell')
  return person
}
