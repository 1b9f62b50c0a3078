import { makeTemplate } from '../demo/template'

/** The wall's own day: the browser knows no other. */
export default (): Promise<() => void> => makeTemplate(Date.parse(`${new Date().toISOString().slice(0, 10)}T06:00:00Z`))
