import * as Type from 'typebox'
import { EVERYONE } from '../../room/role'
import { strict } from '../../schema/shape'
import { broken, needleOut } from '../changes'
import { always, kind, Words } from './kind'

export const needleBroke = kind({
  body: strict({ piecesFound: Type.Boolean(), cause: Type.Optional(Words) }),
  filter: 'trouble',
  // Who sees it break says so, and nobody sews.
  mayWrite: EVERYONE,
  fold: (state, body, line) => broken(needleOut(state, line.happenedAt, { broke: true }), line, body),
  words: ({ piecesFound, cause }) => ({
    title: 'A needle broke',
    detail: [
      piecesFound ? 'Every piece was found.' : 'Not every piece was found: the machine is stopped.',
      cause && `Cause: ${cause}.`,
    ]
      .filter(Boolean)
      .join(' '),
  }),
  typed: { as: 'broke', also: ['needle broke', 'needle broken'], defaults: { piecesFound: always(false) } },
})
