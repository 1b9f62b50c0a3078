/** What is printed of a visit. */
import { roomOf, type Door } from '../house'
import { file as fileAnswer } from '../answers'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import * as z from 'zod'
import { timeOfDay } from '../../core/clock'
import type { Plan } from '../../core/model/plan'
import type { Practice } from '../../core/practice/practice'
import { Problem } from '../problem'
import { compile } from '../../core/plan/compile'
import { reading } from '../db/unread'
import { loadFrozenPlan, openVisit, type VisitFile } from '../db/store'
import { visitParams } from './visit'

type Paper = 'A4' | 'LETTER'
interface Printing {
  name: string
  summary: string
  /** The signed plan, or the plan as it is now, as a document. The renderer is large: it is loaded when first asked for. */
  write: (plan: Plan, of: { file: VisitFile; practice: Practice }, paper: Paper) => Promise<TDocumentDefinitions>
}

const asPdf =
  (path: string, { name, summary, write }: Printing): Door =>
  (app, house) => {
    const { db } = house.database
    app.get(
      `/visits/:visitId/${path}.pdf`,
      {
        schema: {
          response: fileAnswer('application/pdf', name),
          summary,
          params: visitParams,
          querystring: z.object({ paper: z.enum(['A4', 'LETTER']).default('A4') }),
        },
      },
      async (request, reply) => {
        const { visitId } = request.params
        const [of, frozen] = [await openVisit(db, visitId), await loadFrozenPlan(db, visitId)]
        const plan = frozen?.plan ?? reading(visitId, 'plan', () => compile(of.file.request, of.practice))
        const [{ renderPdf }, sheet] = [await import('../print/render'), await write(plan, of, request.query.paper)]
        return reply
          .type('application/pdf')
          .header('content-disposition', `inline; filename="${path}-${visitId}.pdf"`)
          .send(await renderPdf(sheet))
      },
    )
  }

/** What stands over every paper of a visit. */
const factsOf = ({ file, practice }: { file: VisitFile; practice: Practice }) => ({
  patient: file.patient.name,
  time: timeOfDay(file.visit.startsAt, practice.zone),
  chair: practice.chairs.find((c) => c.id === file.visit.chairId)?.name ?? file.visit.chairId,
  practice: practice.name,
  /** As they are now: some may have come after the tray was signed. */
  alerts: file.request.alerts,
})

const setupAsPdf = asPdf('setup', {
  name: 'the setup sheet',
  summary: 'The setup sheet with the bur strip, as PDF',
  write: async (plan, of, paper) => {
    const { setupSheet } = await import('../print/setup-sheet')
    return setupSheet(plan, factsOf(of), paper)
  },
})

const templateAsPdf = asPdf('sheet', {
  name: 'the hole template',
  summary: 'The hole template of the visit’s sheet at true scale, as PDF',
  write: async (plan, { file, practice }, paper) => {
    const { damTemplateSheet } = await import('../print/dam-template')
    const facts = { patient: file.patient.name, practice: practice.name, notation: practice.notation }
    const sheet = damTemplateSheet(plan, facts, paper)
    if (!sheet) throw new Problem('no-sheet', 'No sheet with holes is in the plan of this visit.')
    return sheet
  },
})

const picturesAsPdf = asPdf('pictures', {
  name: 'the pictures of the steps',
  summary: 'The course of the visit, what each step is about on its tooth, and who sits where, as PDF',
  write: async (plan, of, paper) => {
    const { picturesSheet } = await import('../print/pictures')
    return picturesSheet(plan, { ...factsOf(of), notation: of.practice.notation }, paper)
  },
})

export const paperRoutes = roomOf(setupAsPdf, templateAsPdf, picturesAsPdf)
