/** The passphrase of copies: what is one, and in which form it is taken. */

/** A passphrase that is none. */
export class NoPassphrase extends Error {
  constructor() {
    super(
      'The passphrase is empty. Set JADE_PASSPHRASE to words that nobody guesses, or leave it out altogether: copies are then not encrypted.',
    )
    this.name = 'NoPassphrase'
  }
}

/**
 * As it was set, or none. Empty words are refused: whoever set them believes that copies are encrypted.
 * @throws NoPassphrase
 */
export function passphraseOf(set: string | undefined): string | undefined {
  if (set === undefined) return undefined
  if (set.trim() === '') throw new NoPassphrase()
  return set
}

/**
 * One form for what looks the same, whichever keyboard typed it: composed (Unicode NFC, UAX #15), blanks around it left out.
 * @example normal('Zu\u0308rich ') // 'Zürich'
 */
export const normal = (passphrase: string): string => passphrase.trim().normalize('NFC')

/** Forms in which versions of before December 2026 may have taken the same words. */
export const otherForms = (passphrase: string): string[] =>
  [...new Set([passphrase, passphrase.trim().normalize('NFD'), passphrase.normalize('NFC')])].filter(
    (form) => form !== normal(passphrase),
  )
