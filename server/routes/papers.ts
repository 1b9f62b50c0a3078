/** What is printed of a visit. */
import { roomOf, type Door } from '../house'
import { file } from '../answers'
import * as z from 'zod'
import { timeOfDay } from '../../core/clock'
import { Problem } from '../problem'
import { compile } from '../../core/plan/compile'
import { loadFrozenPlan, openVisit } from '../db/store'
import { signedIn } from './session'

import { visitParams } from './visit'

const setupAsPdf: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/visits/:visitId/setup.pdf',
    {
      schema: {
        response: file('application/pdf', 'the setup sheet'),
        summary: 'The setup sheet with the bur strip, as PDF',
        params: visitParams,
        querystring: z.object({ paper: z.enum(['A4', 'LETTER']).default('A4') }),
      },
    },
    async (request, reply) => {
      await signedIn(house, request)
      const { visitId } = request.params
      const [{ file, practice }, frozen] = [await openVisit(db, visitId), await loadFrozenPlan(db, visitId)]
      const facts = {
        patient: file.patient.name,
        time: timeOfDay(file.visit.startsAt, practice.zone),
        chair: practice.chairs.find((c) => c.id === file.visit.chairId)?.name ?? file.visit.chairId,
        practice: practice.name,
      }
      // Loaded when first asked for: the renderer is large, and most requests never print.
      const [{ renderPdf }, { setupSheet }] = await Promise.all([
        import('../print/render'),
        import('../print/setup-sheet'),
      ])
      const pdf = await renderPdf(
        setupSheet(frozen?.plan ?? compile(file.request, practice), facts, request.query.paper),
      )
      return reply
        .type('application/pdf')
        .header('content-disposition', `inline; filename="setup-${visitId}.pdf"`)
        .send(pdf)
    },
  )
}

const templateAsPdf: Door = (app, house) => {
  const { db } = house.database
  app.get(
    '/visits/:visitId/sheet.pdf',
    {
      schema: {
        response: file('application/pdf', 'the hole template'),
        summary: 'The hole template of the visit’s sheet at true scale, as PDF',
        params: visitParams,
        querystring: z.object({ paper: z.enum(['A4', 'LETTER']).default('A4') }),
      },
    },
    async (request, reply) => {
      await signedIn(house, request)
      const { visitId } = request.params
      const [{ file, practice }, frozen] = [await openVisit(db, visitId), await loadFrozenPlan(db, visitId)]
      const [{ renderPdf }, { damTemplateSheet }] = await Promise.all([
        import('../print/render'),
        import('../print/dam-template'),
      ])
      const sheet = damTemplateSheet(
        frozen?.plan ?? compile(file.request, practice),
        { patient: file.patient.name, practice: practice.name, notation: practice.notation },
        request.query.paper,
      )
      if (!sheet) throw new Problem('no-sheet', 'No sheet with holes is in the plan of this visit.')
      return reply
        .type('application/pdf')
        .header('content-disposition', `inline; filename="sheet-${visitId}.pdf"`)
        .send(await renderPdf(sheet))
    },
  )
}

export const paperRoutes = roomOf(setupAsPdf, templateAsPdf)
