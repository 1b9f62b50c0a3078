/** What a person is told when something could not be stored. */
import { describe, expect, it } from 'vitest'
import { ApiProblem } from './api'
import { whyNot } from './change'

describe('what was not stored', () => {
  it('is said in the server’s words, with what is missing and what is still to be read', () => {
    const refused = new ApiProblem(409, 'not-ready', 'The tray cannot be signed yet.', {
      missing: ['Mouth mirror'],
      unread: ['Bis-acryl: short'],
    })
    expect(whyNot(refused)).toBe('The tray cannot be signed yet. Mouth mirror Bis-acryl: short')
  })
  it('is said, too, where no server said anything', () => {
    expect(whyNot(new TypeError('x is not a function'))).toBe('Not stored: x is not a function')
    expect(whyNot(new ApiProblem(0, 'offline', 'The server does not answer.'))).toBe('The server does not answer.')
  })
})
