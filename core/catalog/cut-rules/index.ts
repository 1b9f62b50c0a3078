/** What each form of cut wants of a bur, and how well a bur fits: one row a form. */
import type { CutForm } from '../cut-form'
import { cavityRules } from './cavities'
import { crownRules } from './crowns'
import type { CutRule } from './fit'

export const cutRules: Record<CutForm, CutRule> = { ...crownRules, ...cavityRules }
