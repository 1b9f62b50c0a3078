/** Text as it may stand inside an SVG. */
export const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
