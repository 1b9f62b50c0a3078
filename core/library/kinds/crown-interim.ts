import { lay } from '../lay'
import { thinnest } from '../../measure/provisional'
import { only, sequence, type Block } from '../build'
import { type Case } from '../case'
import { hardens, makeProvisional, mouldOf, polishProvisional } from '../generators/provisional'
import { fitProvisional, relining } from '../generators/provisional-fit'
import { rolls } from '../generators/isolation'
import { provisionalMould } from '../generators/records'
import type { VisitKind } from './kind'

/** The mould made fit for use: cut, trimmed, tried empty. */
function mouldReady(c: Case): Block {
  const putty = c.school('provisional') === 'bis-acryl in putty index'
  return sequence(
    only(putty, () => lay(c, 'provisional.cut-index')),
    lay(c, 'provisional.try-mould', { mouldOf: mouldOf(c) }),
  )
}

/** Trimming in its order: pencil, gross, edges, inside. */
function trimming(c: Case): Block {
  return sequence(
    lay(c, 'provisional.pencil', { hardens: hardens(c) }),
    lay(c, 'provisional.gross'),
    lay(c, 'provisional.edges'),
    lay(c, 'provisional.gauge', { thinnest }),
  )
}

/** What an inspection may lead to, and what each correction does. */
function corrections(c: Case): Block {
  return lay(c, 'provisional.corrections', { relining })
}

/** J13: interim crown by putty and bis-acryl, in full. */
export const crownInterim: VisitKind = {
  id: 'crown.interim',
  beforehand: (c) => [provisionalMould(c)],
  work: (c) =>
    sequence(
      rolls(c),
      mouldReady(c),
      makeProvisional(c),
      trimming(c),
      lay(c, 'provisional.inspect'),
      corrections(c),
      polishProvisional(c),
      fitProvisional(c),
    ),
  followUps: () => [],
}
