/** What every boundary answers to bad input: which field, what is wrong, what is allowed. */
export interface Fault {
  readonly code: string
  readonly message: string
  /** dotted path from the root of what was sent; empty: the whole */
  readonly path: string
}

export class Invalid extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly path = '',
  ) {
    super(message)
  }

  get fault(): Fault {
    return { code: this.code, message: this.message, path: this.path }
  }
}
