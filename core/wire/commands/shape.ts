import * as Type from 'typebox'
import type { TSchema } from 'typebox'
import type { Role } from '../../room/role'
import { FARTHEST } from '../../room/table'
import { strict } from '../../schema/shape'

/** What can be written, by its name on the wire: who may, and the one schema of its body. */
export type Commands = Readonly<Record<string, { readonly mayWrite: readonly Role[]; readonly body: TSchema }>>

export const Id = Type.String({ format: 'uuid' })
/** Made where it is shown, and kept as a digest only. */
export const OneTimeCode = Type.String({
  pattern: '^[a-z0-9]{4}(-[a-z0-9]{4}){2}$',
  description: 'three groups of four small letters or digits',
})
export const Words = Type.String({ minLength: 1, maxLength: 200 })
export const Because = Type.String({ minLength: 3, maxLength: 300 })
const Tenths = Type.Integer({ minimum: 0, maximum: FARTHEST })
export const Place = strict({ x: Tenths, y: Tenths })
