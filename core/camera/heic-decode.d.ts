/** The package ships no types: what of it is used here. */
declare module 'heic-decode' {
  interface Unpacked {
    readonly width: number
    readonly height: number
    readonly data: Uint8ClampedArray<ArrayBuffer>
  }
  interface Image {
    readonly width: number
    readonly height: number
    decode(): Promise<Unpacked>
  }
  const heic: {
    all(file: { readonly buffer: Uint8Array }): Promise<Image[] & { dispose(): void }>
  }
  export default heic
}
