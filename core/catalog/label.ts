/** What a scanner reads from a box or a label of the practice's own. */
export interface Scan {
  /** The code as typed by the scanner, marks of the symbology taken off. */
  code: string
  /** Product number, 14 digits, its check digit verified. */
  gtin?: string
  lot?: string
  /** Plain date, 'YYYY-MM-DD'; a lot is good through it. */
  expires?: string
  produced?: string
  serial?: string
}
