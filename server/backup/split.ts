/** Lines of a stream of bytes, parted by line feeds alone: what else parts lines in a text (U+2028, U+0085) stands inside of rows. */
import { StringDecoder } from 'node:string_decoder'

export async function* linesOf(bytes: AsyncIterable<Buffer>): AsyncGenerator<string> {
  const decoder = new StringDecoder('utf8')
  let rest = ''
  for await (const chunk of bytes) {
    const parts = (rest + decoder.write(chunk)).split('\n')
    rest = parts.pop() ?? ''
    yield* parts
  }
  rest += decoder.end()
  if (rest !== '') yield rest
}
