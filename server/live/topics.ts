/** What a screen may look at. Each kind has its own word before it, so that no name of one is ever taken for another's. */
export const dayTopic = 'day'
export const visitTopic = (visitId: string): string => `visit ${visitId}`
/** Every open screen of one person, whatever it looks at. */
export const personTopic = (personId: string): string => `person ${personId}`
/** Every open screen of one sign-in: they end with it. */
export const sessionTopic = (sessionId: string): string => `session ${sessionId}`
