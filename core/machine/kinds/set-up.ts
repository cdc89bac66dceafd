import * as Type from 'typebox'
import { FootWord, KitThreadSchema } from '../../knowledge/vocabulary'
import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { named, plain } from '../../units/words'
import { setTo } from '../changes'
import { kind, ProjectId } from './kind'

export const setUp = kind({
  body: strict(
    {
      thread: Type.Optional(KitThreadSchema),
      bobbinThread: Type.Optional(KitThreadSchema),
      foot: Type.Optional(FootWord),
      dial: Type.Optional(Type.Number()),
      fabricClass: Type.Optional(Type.String({ minLength: 1, maxLength: 80 })),
      projectId: ProjectId,
    },
    { minProperties: 1 },
  ),
  filter: 'setting up',
  mayWrite: STAFF,
  fold: setTo,
  words: ({ thread, foot, dial }) => ({
    title: 'Set up',
    detail: [
      thread && `${plain(thread.tex)} tex ${named(thread.fibre)}`,
      foot && `${named(foot)} foot`,
      dial !== undefined && `dial ${plain(dial)}`,
    ]
      .filter(Boolean)
      .join(', '),
  }),
  typed: { as: 'set' },
})
