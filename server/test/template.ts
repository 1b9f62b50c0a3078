import { makeTemplate } from '../../demo/template'
import { eight } from './day'

export default (): Promise<() => void> => makeTemplate(eight)
