import * as Type from 'typebox'
import type { Static } from 'typebox'
import { KitSchema } from '../kit/kit-schema'
import { Name, ProjectSchema } from '../kit/project'
import { strict } from '../schema/shape'

const Id = Type.String({ format: 'uuid' })
const Time = Type.String({ format: 'date-time' })
const Person = strict({ personId: Id, name: Name })

/** A class with its projects and every kit that was given, as it is written out and read back without loss. */
export const KitsFileSchema = strict({
  orthodex: Type.Literal('kits'),
  version: Type.Literal(1),
  course: strict({
    courseId: Id,
    name: Name,
    /** without the venue's own word before it */
    classCode: Type.String({ pattern: '^[a-z0-9]{3,20}$' }),
  }),
  projects: Type.Array(
    strict({
      projectId: Id,
      enrolmentId: Id,
      learner: Person,
      ...ProjectSchema.properties,
      given: Type.Array(
        strict({
          kitGivenId: Id,
          /** found again by its id, else by its name */
          machine: strict({ machineId: Id, name: Name }),
          kit: KitSchema,
          givenAt: Time,
          givenBy: Person,
        }),
        { maxItems: 500 },
      ),
    }),
    { maxItems: 1000 },
  ),
})

export type KitsFile = Static<typeof KitsFileSchema>
