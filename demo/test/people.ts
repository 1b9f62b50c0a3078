/** The two people of a reviewed case, as a run knows them: who signs has shown a code. */
import type { Who } from '../../core/run/decide'

export const assistant: Who = { personId: 'assistant', roles: ['assistant'], codeShown: false }
export const dentist: Who = { personId: 'dentist', roles: ['dentist'], codeShown: true }
