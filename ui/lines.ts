/** Reads lines of JSON as they come. */
export async function eachLine<Line>(body: ReadableStream<Uint8Array>, take: (line: Line) => void): Promise<void> {
  const reader = body.getReader()
  const words = new TextDecoder()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return
    const lines = (rest + words.decode(value, { stream: true })).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) if (line) take(JSON.parse(line) as Line)
  }
}
