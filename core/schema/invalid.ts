/** What every boundary answers to bad input: which field, what is wrong, what is allowed. */
export interface Fault {
  readonly code: string
  readonly message: string
  /** dotted path from the root of what was sent; empty: the whole */
  readonly path: string
  /** the message without its field's name, to be shown at the field itself */
  readonly what?: string | undefined
}

export class Invalid extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly path = '',
    readonly what?: string,
  ) {
    super(message)
  }

  get fault(): Fault {
    const { code, message, path, what } = this
    return { code, message, path, ...(what !== undefined && { what }) }
  }
}
