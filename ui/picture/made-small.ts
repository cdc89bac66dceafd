/** How wide and high a picture may be, in dots; and how well it is kept where its kind has a choice, 0 … 1. */
export interface SmallWay {
  readonly width: number
  readonly height: number
  readonly quality?: number
}

/**
 * Draws a picture anew on this device, so that nothing of its file but what it shows goes anywhere.
 * @param ways the best first; the first that is small enough is taken
 * @returns a data address of so many letters at most; undefined when none is
 * @throws where the browser cannot open the file
 */
export async function madeSmall(
  file: Blob,
  kind: 'image/png' | 'image/jpeg',
  mostLetters: number,
  ways: readonly SmallWay[],
): Promise<string | undefined> {
  const picture = await createImageBitmap(file)
  for (const { width, height, quality } of ways) {
    const scale = Math.min(1, width / picture.width, height / picture.height)
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(picture.width * scale))
    canvas.height = Math.max(1, Math.round(picture.height * scale))
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
    const address = canvas.toDataURL(kind, quality)
    if (address.length <= mostLetters) return address
  }
  return undefined
}
