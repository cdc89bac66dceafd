/** A value with nothing in it that could be changed: what is sent is only read. */
export type Sent<Value> = Value extends readonly (infer Each)[]
  ? readonly Sent<Each>[]
  : Value extends object
    ? { readonly [Name in keyof Value]: Sent<Value[Name]> }
    : Value
