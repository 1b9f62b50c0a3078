import pdfmake from 'pdfmake'
import type { DynamicContent, TDocumentDefinitions } from 'pdfmake/interfaces'
import { fontFolders, fonts, writeInFaces } from './faces'

let ready = false
function prepare(): void {
  if (ready) return
  pdfmake.setFonts(fonts)
  // A document may reach nothing but the fonts that ship with the program.
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path: string) => fontFolders.some((folder) => path.startsWith(folder)))
  ready = true
}

/** A footer is written page by page. */
const footed =
  (footer: DynamicContent): DynamicContent =>
  (...page) => {
    const content = footer(...page)
    writeInFaces(content)
    return content
  }

/** Renders a document to PDF bytes. The document is used up. */
export async function renderPdf(definition: TDocumentDefinitions): Promise<Buffer> {
  prepare()
  const { content, footer } = definition
  writeInFaces(content)
  return pdfmake
    .createPdf(typeof footer === 'function' ? { ...definition, footer: footed(footer) } : definition)
    .getBuffer()
}
