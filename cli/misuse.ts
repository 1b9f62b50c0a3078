/** What a person typed was wrong; `lines` say where and what would be right. */
export class Misuse extends Error {
  constructor(readonly lines: string[]) {
    super(lines.join('\n'))
  }
}
