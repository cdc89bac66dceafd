import * as Type from 'typebox'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { strict } from '@/core/schema/shape'
import { DEVICES, deviceLine, type Device } from '@/stand-ins/bench'
import { notFound } from '@/store/refused'
import { siteOf } from '../../../_server/site'
import { answerTo } from '../../../_server/asked'

const SampleSchema = strict({
  name: Type.String({ minLength: 1, maxLength: 80 }),
  areaCm2: Type.Number({ exclusiveMinimum: 0, maximum: 10_000 }),
  layers: Type.Integer({ minimum: 1, maximum: 40 }),
  chance: Type.Number({ minimum: 0, maximum: 1 }),
})

/** The stand-in scale and gauge of a practice venue's table: `{ "line": "MASS 2.13 g STABLE" }`. */
export const GET = answerTo<'read-device', { device: string }>('read-device', {}, async ({ actor, params, query }) => {
  if (!(await siteOf(actor.siteId)).practice) throw notFound('device', 'device')
  const { device } = params
  if (!DEVICES.includes(device as Device)) throw notFound('device', 'device')
  const asked = Object.fromEntries(query)
  const number = (name: string) => (asked[name] === undefined ? asked[name] : Number(asked[name]))
  const sample = check(SampleSchema, {
    ...asked,
    areaCm2: number('areaCm2'),
    layers: number('layers'),
    chance: number('chance'),
  })
  const line = deviceLine(device as Device, sample)
  if (!line) throw new Invalid('invalid', `The tray holds no cloth called “${sample.name}”`, 'name')
  return { line }
})
