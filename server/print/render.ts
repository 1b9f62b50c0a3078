import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'

const fontFolder = dirname(
  createRequire(import.meta.url).resolve('@expo-google-fonts/atkinson-hyperlegible-next/package.json'),
)
/**
 * The faces as TrueType and whole: a name may be written in any Latin script, and out of a WOFF the PDF's maker would inflate
 * a whole table for every letter it looks at.
 */
const font = (face: string): string => join(fontFolder, face, `AtkinsonHyperlegibleNext_${face}.ttf`)

let ready = false
function prepare(): void {
  if (ready) return
  pdfmake.setFonts({ Next: { normal: font('400Regular'), bold: font('700Bold') } })
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
