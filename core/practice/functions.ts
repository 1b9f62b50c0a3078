/**
 * Who may do what. The program ships empty of any place's law: two presets to start from, and the practice sets its own
 * after reading its board's rules. It advises; local rules and the treating dentist decide.
 */
import { keysOf } from '../sure'
import * as z from 'zod'

export const roles = ['assistant', 'expanded assistant', 'dentist', 'sterilising', 'front desk'] as const
export const role = z.enum(roles)
export type Role = z.infer<typeof role>

/** Functions a practice decides about, then those that are the dentist's or anyone's in every preset. */
export const functionNames = {
  topical: 'topical anaesthetic',
  injection: 'injection',
  'numb test': 'test of numbness',
  'preliminary impression': 'preliminary impression',
  'shade preview': 'shade preview',
  'throat pack': 'throat pack',
  dam: 'dental dam',
  cutting: 'cutting of the tooth',
  look: 'a look that decides',
  'cord placement': 'cord placement',
  'cord removal': 'cord removal',
  'final impression': 'final impression',
  scan: 'scan',
  'bite record': 'bite record',
  'provisional making': 'provisional making',
  'provisional trimming': 'provisional trimming in the mouth',
  'provisional cementing': 'provisional cementing',
  'excess removal': 'removal of excess cement',
  'occlusal check': 'bite check',
  radiograph: 'radiograph',
  etching: 'etching and rinsing',
  bonding: 'adhesive and cement in the mouth',
  curing: 'holding the curing light',
  placing: 'placing of the restoration',
  'matrix placement': 'matrix and wedge',
  'root canal': 'root-canal work',
  'crown fitting': 'fitting of a preformed crown',
  'fissure seal': 'seal and glycerine',
  finishing: 'finishing with a bur or a blade',
  polishing: 'polishing',
  rinse: 'rinse and suction',
  instructions: 'instructions to the patient',
  'chart note': 'chart note',
  chairside: 'chairside assistance',
  turnover: 'turnover of the room',
} as const
export type FunctionName = keyof typeof functionNames
export const functionName = z.enum(keysOf(functionNames))

/** `sight`: under the dentist's direct sight. `word`: on the dentist's word. */
export const permission = z.enum(['no', 'sight', 'word', 'yes'])
export type Permission = z.infer<typeof permission>

export const functionLine = z.strictObject({
  function: functionName,
  assistant: permission,
  expanded: permission,
  setBy: z.string(),
  setOn: z.iso.date(),
})
export type FunctionLine = z.infer<typeof functionLine>
export const functionTable = z.array(functionLine)
export type FunctionTable = FunctionLine[]

type Preset = Record<FunctionName, readonly [assistant: Permission, expanded: Permission]>

/** Irreversible work in the mouth is the dentist's. The default. */
const cautious: Preset = {
  topical: ['word', 'word'],
  injection: ['no', 'no'],
  'numb test': ['no', 'no'],
  'preliminary impression': ['word', 'word'],
  'shade preview': ['yes', 'yes'],
  'throat pack': ['no', 'no'],
  dam: ['word', 'word'],
  cutting: ['no', 'no'],
  // Whether a preparation, a crevice or a retainer will do is judged by who answers for it; a practice may open it.
  look: ['no', 'no'],
  'cord placement': ['no', 'sight'],
  'cord removal': ['no', 'sight'],
  'final impression': ['no', 'no'],
  scan: ['no', 'sight'],
  'bite record': ['word', 'word'],
  'provisional making': ['word', 'word'],
  'provisional trimming': ['no', 'sight'],
  'provisional cementing': ['no', 'word'],
  'excess removal': ['no', 'word'],
  'occlusal check': ['no', 'no'],
  radiograph: ['no', 'word'],
  etching: ['no', 'sight'],
  bonding: ['no', 'no'],
  curing: ['sight', 'word'],
  placing: ['no', 'no'],
  'matrix placement': ['no', 'sight'],
  'root canal': ['no', 'no'],
  'crown fitting': ['no', 'no'],
  'fissure seal': ['no', 'sight'],
  // What cuts tooth, filling or edge does not come back: a practice may open it, no preset does.
  finishing: ['no', 'no'],
  polishing: ['no', 'sight'],
  rinse: ['yes', 'yes'],
  instructions: ['yes', 'yes'],
  'chart note': ['yes', 'yes'],
  chairside: ['yes', 'yes'],
  turnover: ['yes', 'yes'],
}

/** What places with expanded functions commonly delegate; the dentist's holds stay. */
const expanded: Preset = {
  ...cautious,
  topical: ['yes', 'yes'],
  'preliminary impression': ['yes', 'yes'],
  dam: ['yes', 'yes'],
  'cord placement': ['sight', 'word'],
  'cord removal': ['sight', 'word'],
  'final impression': ['no', 'sight'],
  scan: ['word', 'yes'],
  'bite record': ['yes', 'yes'],
  'provisional making': ['yes', 'yes'],
  'provisional trimming': ['word', 'yes'],
  'provisional cementing': ['word', 'yes'],
  'excess removal': ['word', 'yes'],
  'occlusal check': ['no', 'sight'],
  radiograph: ['word', 'yes'],
  etching: ['sight', 'word'],
  curing: ['word', 'yes'],
  placing: ['no', 'sight'],
  'matrix placement': ['sight', 'word'],
  'fissure seal': ['sight', 'yes'],
  polishing: ['word', 'yes'],
}

/**
 * A stored table brought up to the functions this program knows: a line it lacks comes from the preset and says so, so
 * that an upgrade never leaves a function without a line, and never overwrites what the practice set.
 * @example completeTable('cautious', [], '2026-11-26').length > 20 // true
 */
export function completeTable(preset: 'cautious' | 'expanded', table: FunctionTable, setOn: string): FunctionTable {
  const lines = new Map(table.map((l) => [l.function, l]))
  return presetTable(preset, 'preset', setOn).map((l) => lines.get(l.function) ?? l)
}

/**
 * A table from a preset, each line signed with who took it over and when.
 * @example presetTable('cautious', 'Dr A', '2026-11-26')[0].setBy // 'Dr A'
 */
export function presetTable(preset: 'cautious' | 'expanded', setBy: string, setOn: string): FunctionTable {
  const rows = preset === 'cautious' ? cautious : expanded
  return keysOf(functionNames).map((name) => ({
    function: name,
    assistant: rows[name][0],
    expanded: rows[name][1],
    setBy,
    setOn,
  }))
}

/** The permission of a person with these roles: the widest of them. Dentists may do everything. */
export function permissionOf(fn: FunctionName, personRoles: readonly Role[], table: FunctionTable): Permission {
  if (personRoles.includes('dentist')) return 'yes'
  const line = table.find((l) => l.function === fn)
  const grants: Permission[] = personRoles.map((r) => {
    if (!line) return 'no'
    if (r === 'assistant') return line.assistant
    if (r === 'expanded assistant') return line.expanded
    return r === 'sterilising' && fn === 'turnover' ? 'yes' : 'no'
  })
  const order = permission.options
  return grants.reduce<Permission>((widest, p) => (order.indexOf(p) > order.indexOf(widest) ? p : widest), 'no')
}
