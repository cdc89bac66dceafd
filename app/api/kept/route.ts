import { answerTo } from '../../_server/asked'
import { keptFor } from '../../_server/kept'

/** What a carried device keeps for its holder: asked every ten minutes at most, and by nobody at a desk. */
export const GET = answerTo('kept-pages', { may: 'see-first-aid' }, async ({ actor }) => ({
  paths: await keptFor(actor),
}))
