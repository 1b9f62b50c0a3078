import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** Reads a PDF back with another program's reader: its pages' sizes and words. */
export async function readPdf(bytes: Buffer): Promise<{ sizes: number[][]; text: string }> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise
  const pages = await Promise.all(Array.from({ length: pdf.numPages }, (_, i) => pdf.getPage(i + 1)))
  const texts = await Promise.all(
    pages.map(async (p) => (await p.getTextContent()).items.map((i) => ('str' in i ? i.str : '')).join(' ')),
  )
  return { sizes: pages.map((p) => p.view.slice(2).map(Math.round)), text: texts.join(' ').replace(/\s+/g, ' ') }
}
