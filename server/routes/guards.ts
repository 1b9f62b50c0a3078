/** Who may pass a door: said once, in one place. */
import type { FastifyRequest } from 'fastify'
import type { House } from '../house'
import { Problem } from '../problem'
import { signedIn, type SignedIn } from './session'

/** Asks for a dentist's own sign-in. @throws Problem dentist-only */
export async function theDentist(house: House, request: FastifyRequest): Promise<SignedIn> {
  const person = await signedIn(house, request)
  if (!person.roles.includes('dentist'))
    throw new Problem('dentist-only', 'A dentist of the practice changes the settings.')
  return person
}

/** Asks for somebody of the chairside or sterilising team. @param keeps what they keep, in words @throws Problem team-only */
export async function theTeam(house: House, request: FastifyRequest, keeps: string): Promise<SignedIn> {
  const person = await signedIn(house, request)
  if (person.roles.every((r) => r === 'front desk'))
    throw new Problem('team-only', `The chairside and sterilising team keeps ${keeps}.`)
  return person
}
