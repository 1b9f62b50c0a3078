import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'

const fontFolder = join(
  dirname(createRequire(import.meta.url).resolve('@fontsource/atkinson-hyperlegible-next/package.json')),
  'files',
)
const font = (weight: number): string => join(fontFolder, `atkinson-hyperlegible-next-latin-${weight}-normal.woff`)

let ready = false
function prepare(): void {
  if (ready) return
  pdfmake.setFonts({ Next: { normal: font(400), bold: font(700) } })
  // A document may reach nothing but the fonts that ship with the program.
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fontFolder))
  ready = true
}

/** Renders a document to PDF bytes. */
export async function renderPdf(definition: TDocumentDefinitions): Promise<Buffer> {
  prepare()
  return pdfmake.createPdf(definition).getBuffer()
}
