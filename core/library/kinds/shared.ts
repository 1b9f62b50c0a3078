/** What several kinds have in common. */
import type { FollowUpLaid } from '../follow-ups'
import type { Parts } from '../part'
import type { Laid } from '../template'

/** Shade, before the teeth dry out. */
export const shade: Parts = [
  {
    if: ['restoration', 'is', 'full metal crown'],
    do: [{ absent: 'shade', because: 'a full metal crown has no shade' }],
    else: ['records.shade'],
  },
]
/** Shade approved on the tooth, wet, before anything is etched. */
export const shadeOnTooth: Parts = [{ if: { not: ['restoration', 'is', 'full metal crown'] }, do: ['delivery.shade'] }]

/** Shade, mould and opposing arch: the assistant's work while the anaesthetic takes. */
export const crownRecords: readonly Parts[] = [shade, [['painted tray'], ['provisional mould'], ['opposing arch']]]
/** From the cord to the cemented provisional: the same for every crown, however it was cut. */
export const afterCutting: Parts = [['overgrown gum'], ['cords'], ['impression and provisional']]

/** The sheet, wherever bonding is done under one. */
export const underSheet = ['school.bondingIsolation', 'is', 'dam'] as const

/** The silicone that gauges the depth, over the uncut teeth, then cut into slices. */
export const depthIndex: Parts = ['records.depth-index', 'records.cut-index']

/** A provisional only where dentine is open or something shows: asked every time. */
export const veneerProvisional: Parts = [
  {
    if: ['school.veneerProvisional', 'is', 'none'],
    do: [
      {
        if: 'all in enamel',
        do: [
          {
            absent: 'provisional',
            because: 'wholly in enamel: the polished tooth is its own cover; nothing is sensitive and nothing shows',
          },
        ],
        else: [
          {
            absent: 'provisional',
            because: 'no shell is chosen, and dentine shows: it is covered some other way, as the dentist says',
          },
        ],
      },
    ],
    else: ['provisional.spot-etch', 'provisional.shell', { each: 'first tooth', do: ['provisional.shell-edges'] }],
  },
]

/** A week after tissue surgery the tissue is looked at. */
export const tissueRecall: Laid<FollowUpLaid> = {
  if: { all: ['gum overgrown', { not: ['school.redundantTissue', 'is', 'wait'] }] },
  use: { title: 'Look at the tissue', kind: 'recall.week', after: 'recall.tissue' },
}
/** A framework is tried in before it is finished where the span is long. */
export const frameworkTryIn: Laid<FollowUpLaid> = {
  if: 'long span',
  use: {
    title: 'Try-in of the framework',
    kind: 'bridge.try-in',
    after: 'half the laboratory',
    because: { text: '$units units: a long span is tried in before the ceramic', standing: 'C' },
  },
}
export const halfYear: Laid<FollowUpLaid> = {
  title: 'Half-yearly check of the bonded bridge',
  kind: 'recall.half-year',
  after: 'recall.bonded bridge',
}
/** A week after bonding: tissue, floss, bite, colour once the teeth are wet through again. */
export const weekAfter = (what: string): Laid<FollowUpLaid> => ({
  title: `Recall: ${what}`,
  kind: 'recall.week',
  after: 'recall.bonding',
})
export const laminatesDelivered: Laid<FollowUpLaid> = {
  kind: 'laminate.deliver',
  title: {
    if: 'several teeth',
    use: 'Delivery of $(number of teeth) laminates',
    else: 'Delivery of 1 laminate',
  },
  after: 'the laboratory',
}
export const provisionalBite: Laid<'provisional' | 'provisional, out of contact'> = {
  if: ['school.provisionalBite', 'is', 'out of contact'],
  use: 'provisional, out of contact',
  else: 'provisional',
}
