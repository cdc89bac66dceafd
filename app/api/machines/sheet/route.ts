import Type from 'typebox'
import { MACHINE_COLUMNS, readMachineRows } from '@/core/exchange/machine-rows'
import { readSheet } from '@/core/exchange/sheet-text'
import { TRAIT_NAMES } from '@/core/knowledge/machine/trait'
import { may } from '@/core/people/role'
import { check } from '@/core/schema/validate'
import { strict } from '@/core/schema/shape'
import { Refused } from '@/store/refused'
import { currentActor } from '../../../_server/actor'
import { answering, readJson, sameSiteOnly } from '../../../_server/answer'

const SheetSchema = strict({ text: Type.String({ minLength: 1, maxLength: 500_000 }) })

/** Half a million characters, each of up to four bytes. */
const MOST_BYTES = 2_000_000

/** Reads a sheet of machines: the good lines, and the bad ones with their reasons. Writes nothing. */
export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    sameSiteOnly(request)
    const actor = await currentActor()
    if (!actor) throw new Refused(401, 'signed-out', 'Sign in first; what you pasted is still here')
    if (!may(actor.role, 'import-machines'))
      throw new Refused(403, 'not-allowed', `Signed in as ${actor.role}, you cannot add machines`)
    const { text } = check(SheetSchema, await readJson(request, MOST_BYTES))
    return readMachineRows(readSheet(text, [...MACHINE_COLUMNS, ...TRAIT_NAMES]))
  })
