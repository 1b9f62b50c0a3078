/** What is typed into a form: what is made of it, and what a person is told where nothing can be. */
import { describe, expect, it } from 'vitest'
import type * as z from 'zod'
import { kindIds, kindTable } from '../../core/kinds'
import { newVisitForm, type Follows } from '../day/new-visit-form'
import { amendForm, ops, type Typed } from '../library/amend-form'
import { personForm } from '../settings/person-box'

/** Which field says what; empty where the form may be sent. */
const saidOf = (schema: z.ZodType, typed: unknown): Record<string, string> =>
  Object.fromEntries((schema.safeParse(typed).error?.issues ?? []).map((i) => [String(i.path[0]), i.message]))

describe('a new visit', () => {
  const typed = {
    patientName: 'N. Halloran',
    kind: 'crown.prepare',
    day: '2026-11-26',
    time: '09:00',
    chairId: 'one',
    dentist: 'dentist',
    assistant: 'assistant',
    teethText: '24, 26',
    ponticText: '25',
    restoration: 'metal-ceramic crown',
  }
  const form = newVisitForm('iso', undefined)
  it('is sent as the server takes it: teeth read, the restoration one of its kind', () => {
    expect(form.parse(typed)).toMatchObject({
      teeth: ['24', '26'],
      pontics: ['25'],
      restoration: 'metal-ceramic crown',
      team: { dentist: 'dentist', assistants: ['assistant'] },
    })
    // Another kind was picked after the restoration was.
    expect(form.parse({ ...typed, kind: 'filling.bulk', teethText: '36' })).not.toHaveProperty('restoration')
    expect(form.parse({ ...typed, kind: 'filling.bulk', teethText: '36' })).not.toHaveProperty('pontics')
  })
  it('says at its field what is missing or cannot be read', () => {
    expect(saidOf(form, { ...typed, patientName: ' ', teethText: '', time: '' })).toMatchObject({
      time: 'At what time?',
    })
    expect(saidOf(form, { ...typed, patientName: ' ', teethText: '' })).toEqual({
      patientName: 'Whose visit is it? A name, or a mark of your own.',
      teethText: 'Which teeth?',
    })
    expect(saidOf(form, { ...typed, teethText: '24 99' })['teethText']).toBe('Not every one is a tooth.')
  })
  it('of every kind, what it replaces is asked for where it has to be', () => {
    for (const kind of kindIds) {
      const said = saidOf(form, { ...typed, kind, ponticText: '' })
      expect([kind, 'ponticText' in said]).toEqual([kind, kindTable[kind].pontics === 'needed'])
    }
  })
  it('that follows another asks neither for patient nor teeth', () => {
    const follows: Follows = {
      caseId: 'case',
      patient: 'N. Halloran',
      kind: 'crown.deliver',
      teeth: [],
      title: 'Delivery',
      team: { dentist: 'dentist', assistants: ['assistant'] },
    }
    const sent = newVisitForm('iso', follows).parse({ ...typed, patientName: '', teethText: '' })
    expect(sent).toMatchObject({ caseId: 'case', day: '2026-11-26' })
    expect(sent).not.toHaveProperty('teeth')
  })
})

describe('an amendment', () => {
  const typed: Typed = {
    op: 'add step',
    why: 'our dentist wants it',
    title: 'Photo of the stump',
    fn: 'chairside',
    place: 'mouth',
    minutes: ['0,5', '1', '2'],
    after: 'cutting.finish',
    what: 'mirror',
    does: ['hurts'],
    field: 'detail',
    says: 'As on our card',
  }
  it('becomes the change it says, whatever is changed', () => {
    const made = Object.keys(ops).map((op) => amendForm('cutting.axial').parse({ ...typed, op }))
    expect(made.map((m) => m.change)).toEqual([
      expect.objectContaining({
        op: 'add step',
        after: 'cutting.axial',
        id: 'own.photo-of-the-stump',
        minutes: [0.5, 1, 2],
      }),
      { op: 're-time step', step: 'cutting.axial', minutes: [0.5, 1, 2] },
      { op: 'reword step', step: 'cutting.axial', field: 'detail', says: 'As on our card' },
      { op: 'move step', step: 'cutting.axial', after: 'cutting.finish' },
      { op: 'remove step', step: 'cutting.axial' },
      expect.objectContaining({ op: 'add item', step: 'cutting.axial' }),
      { op: 'remove item', step: 'cutting.axial', what: 'mirror' },
    ])
  })
  it('says where it is not whole: no reason, no title, no number', () => {
    expect(saidOf(amendForm('x'), { ...typed, why: '' })).toHaveProperty('why')
    expect(saidOf(amendForm('x'), { ...typed, title: '' })).toHaveProperty('title')
    expect(saidOf(amendForm('x'), { ...typed, op: 'reword step', says: ' ' })).toHaveProperty('says')
    expect(saidOf(amendForm('cutting.axial'), { ...typed, does: null })).toHaveProperty('does')
    expect(saidOf(amendForm('x'), { ...typed, op: 're-time step', minutes: ['1', 'two', '3'] })).toHaveProperty(
      'minutes',
    )
  })
})

describe('a person', () => {
  it('who is new needs a name, a role and a code; who is there keeps the code', () => {
    const said = saidOf(personForm(true), { name: ' ', roles: [], code: '', own: '' })
    expect(Object.keys(said).toSorted()).toEqual(['code', 'name', 'own', 'roles'])
    expect(saidOf(personForm(true), { name: 'Ida', roles: ['assistant'], code: '', own: '471108' })).toHaveProperty(
      'code',
    )
    expect(saidOf(personForm(false), { name: 'Ida', roles: ['assistant'], code: '12', own: '471108' })).toHaveProperty(
      'code',
    )
    expect(personForm(false).parse({ name: 'Ida', roles: ['assistant'], code: '', own: '471108' })).toEqual({
      signer: { code: '471108' },
      name: 'Ida',
      roles: ['assistant'],
    })
  })
})
