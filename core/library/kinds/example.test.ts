import { describe, expect, it } from 'vitest'
import { kindIds, kindTable } from '../../kinds'
import { visitRequest } from '../../model/request'
import { jawOf, parts, toTooth } from '../../teeth/notation'
import { compile } from '../../plan/compile'
import { starterPractice } from '../../practice/starter'
import { exampleRequest, furtherWork } from './example'

const practice = starterPractice()

const team = { dentist: 'dentist', assistants: ['assistant'] }
const date = '2026-11-26'

describe('a further piece of work', () => {
  it('of every kind beside every kind is a visit that can be made, or there is none', () => {
    for (const kind of kindIds) {
      const request = exampleRequest(kind, date, team)
      for (const other of kindIds) {
        const work = furtherWork(request, other)
        if (work) expect(visitRequest.safeParse({ ...request, also: [work] }).success, `${kind} + ${other}`).toBe(true)
        // Any filling finds its tooth beside permanent work.
        else expect(kindTable[other].family === 'filling' && kindTable[kind].dentition === 'permanent').toBe(false)
      }
    }
  })

  // C: what is done in one visit is done where it is numb already.
  it('goes where it is numb already: the quadrant of the work, then its side', () => {
    const crown = visitRequest.parse({ kind: 'crown.prepare', date, team, teeth: ['25'] })
    for (const kind of kindIds) {
      if (
        kindTable[kind].dentition === 'primary' ||
        kindTable[kind].jaw === 'lower' ||
        kindTable[kind].pontics === 'needed'
      )
        continue
      const work = furtherWork(crown, kind)
      if (work) expect(parts(toTooth(work.teeth[0]!)).quadrant, kind).toBe(2)
    }
    const lower = visitRequest.parse({ kind: 'crown.metal', date, team, teeth: ['47'] })
    expect(jawOf(toTooth(furtherWork(lower, 'filling.cusps')!.teeth[0]!))).toBe('lower')
  })
})

describe('what a visit of two works asks', () => {
  it('is asked of each work alone: no delivery cement of a filling, no surfaces of a crown', () => {
    const own = exampleRequest('crown.prepare', date, team)
    const { asked } = compile(
      visitRequest.parse({ ...own, also: [{ kind: 'filling.amalgam', teeth: ['35'] }] }),
      practice,
    )
    expect(asked.facts[0]).toEqual(expect.arrayContaining(['margin', 'deliveryCement']))
    expect(asked.facts[1]).toEqual(expect.arrayContaining(['surfaces']))
    expect(asked.facts[1]).not.toContain('deliveryCement')
    expect(asked.facts[0]).not.toContain('surfaces')
  })
})
