import * as Type from 'typebox'
import { KitsFileSchema } from '../../exchange/kits-file'
import { DropTestSchema, OverrideSchema } from '../../kit/kit-schema'
import { Name, ProjectSchema } from '../../kit/project'
import { PointWord } from '../../knowledge/vocabulary'
import { ClassSettingsSchema } from '../../room/class-settings-schema'
import { COORDINATOR, STAFF, TEACHING } from '../../room/role'
import { Above0, strict } from '../../schema/shape'
import { Id, type Commands } from './shape'

const { name: _name, ...WITHOUT_NAME } = ProjectSchema.properties
const GIVEN = {
  projectId: Id,
  machineId: Id,
  /** absent: the best that the core says */
  needle: Type.Optional(strict({ point: PointWord, sizeNm: Above0, gapMm: Type.Optional(Above0) })),
  /** the thread tells two ways with the same needle apart */
  threadTex: Type.Optional(Above0),
  /** absent: what a person chose by hand before goes with its owner; empty: nothing does */
  overrides: Type.Optional(Type.Array(OverrideSchema, { maxItems: 7 })),
}

const ClassCode = Type.String({ pattern: '^[a-z0-9]{8,20}$', description: 'of 8 to 20 small letters and digits' })

/** Classes, their projects, and the kits given for them. */
export const CLASSES = {
  'open-course': {
    mayWrite: TEACHING,
    body: strict({
      courseId: Id,
      name: Name,
      /** absent: the machine makes one, which nobody guesses */
      classCode: Type.Optional(ClassCode),
    }),
  },
  'rename-course': { mayWrite: TEACHING, body: strict({ courseId: Id, name: Name }) },
  /** a code of its own, or one that the machine makes; the old one lets nobody in any more */
  'change-class-code': { mayWrite: TEACHING, body: strict({ courseId: Id, classCode: Type.Optional(ClassCode) }) },
  'set-class': {
    mayWrite: TEACHING,
    body: strict({
      courseId: Id,
      settings: ClassSettingsSchema,
      /** as they stood when the change was begun */
      was: Type.Optional(ClassSettingsSchema),
    }),
  },
  /** it takes nobody in any more, and its sessions, bags and books stay */
  'close-course': { mayWrite: TEACHING, body: strict({ courseId: Id }) },
  'reopen-course': { mayWrite: TEACHING, body: strict({ courseId: Id }) },
  /** another class like it: empty, or with the same learners, who stay the same people */
  'copy-course': {
    mayWrite: TEACHING,
    body: strict({ courseId: Id, copyOf: Id, name: Name, learners: Type.Boolean() }),
  },
  'add-project': {
    mayWrite: TEACHING,
    body: strict({
      projectId: Id,
      courseId: Id,
      /** ids for the learner, used when the class has nobody of that name yet */
      personId: Id,
      enrolmentId: Id,
      learner: Name,
      ...ProjectSchema.properties,
    }),
  },
  'add-projects': {
    mayWrite: TEACHING,
    body: strict({
      courseId: Id,
      projects: Type.Array(
        strict({
          projectId: Id,
          personId: Id,
          enrolmentId: Id,
          learner: Name,
          ...ProjectSchema.properties,
          /** a bag that hangs already: it gets this cloth and this work in place of its own */
          replaces: Type.Optional(Id),
        }),
        { minItems: 1, maxItems: 500 },
      ),
    }),
  },
  'change-project': {
    mayWrite: TEACHING,
    body: strict({
      projectId: Id,
      ...WITHOUT_NAME,
      /** as it stood when the change was begun */
      was: Type.Optional(strict(WITHOUT_NAME)),
    }),
  },
  'give-kit': { mayWrite: TEACHING, body: strict(GIVEN) },
  'give-kits': {
    mayWrite: TEACHING,
    body: strict({ kits: Type.Array(strict({ kitGivenId: Id, ...GIVEN }), { minItems: 1, maxItems: 200 }) }),
  },
  'take-kits-back': {
    mayWrite: TEACHING,
    body: strict({ kitGivenIds: Type.Array(Id, { minItems: 1, maxItems: 200, uniqueItems: true }) }),
  },
  'import-kits': { mayWrite: COORDINATOR, body: strict({ file: KitsFileSchema }) },
  'log-drop-test': {
    mayWrite: STAFF,
    body: strict({
      ...DropTestSchema.properties,
      testedAt: Type.Optional(Type.String({ format: 'date-time' })),
    }),
  },
} as const satisfies Commands
