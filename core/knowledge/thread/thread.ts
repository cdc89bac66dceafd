import type { Thread } from '../../units/thread'
import { readable, type Rule } from '../fact'

export const THREAD_USES = ['all-purpose', 'fine', 'topstitch', 'heavy', 'embroidery', 'decorative', 'bobbin'] as const
export type ThreadUse = (typeof THREAD_USES)[number]

export type KitThread = Thread & { readonly use: ThreadUse }

/** Threads that suit, best first, and what counts as the same when the shelf is searched. */
export interface ThreadWish {
  readonly threads: readonly KitThread[]
  readonly shelf: { readonly uses: readonly ThreadUse[]; readonly fromTex: number; readonly toTex: number }
}

const ALL_PURPOSE: KitThread = { tex: 27, fibre: 'polyester', finish: 'spun', use: 'all-purpose' }
const FINE: KitThread = { tex: 18, fibre: 'polyester', finish: 'spun', use: 'fine' }
const COTTON_50: KitThread = { tex: 20, fibre: 'cotton', finish: 'spun', use: 'all-purpose' }

const wish = (
  id: string,
  when: Rule<unknown>['when'],
  threads: readonly KitThread[],
  shelf: ThreadWish['shelf'],
  because: string,
): Rule<ThreadWish> => ({
  id: `thread-${id}`,
  when,
  give: { threads, shelf },
  because,
  source: 'common practice',
  confidence: 'medium',
})

const LIGHT = ['sheer', 'light']

/** First row that holds decides. */
export const THREAD_WISHES: readonly Rule<ThreadWish>[] = readable([
  wish(
    'embroidery',
    { operation: { in: ['embroidery'] } },
    [
      { tex: 26, fibre: 'rayon', finish: 'filament', use: 'embroidery' },
      { tex: 26, fibre: 'polyester', finish: 'filament', use: 'embroidery' },
    ],
    { uses: ['embroidery'], fromTex: 20, toTex: 30 },
    'Embroidery lies smooth in a soft, shiny thread of 25 to 27 tex.',
  ),
  wish(
    'leather-thin',
    { structure: { in: ['leather'] }, thicknessMm: { below: 0.8 } },
    [{ tex: 40, fibre: 'polyester', finish: 'bonded', use: 'heavy' }],
    { uses: ['heavy'], fromTex: 35, toTex: 50 },
    'Leather of {thicknessMm} mm, under 0.8, is held by bonded thread of about 40 tex; all-purpose thread would cut through.',
  ),
  wish(
    'leather',
    { structure: { in: ['leather'] } },
    [{ tex: 60, fibre: 'polyester', finish: 'bonded', use: 'heavy' }],
    { uses: ['heavy'], fromTex: 50, toTex: 70 },
    'A load-bearing seam in {thicknessMm} mm leather wants bonded thread of about 60 tex, never general all-purpose.',
  ),
  wish(
    'coil',
    { any: [{ operation: { in: ['coil'] } }, { structure: { in: ['rope'] } }] },
    [COTTON_50],
    { uses: ['all-purpose', 'fine'], fromTex: 13, toTex: 20 },
    'The rope already fills the hole: 50 wt cotton and no thicker, or the thread strains and breaks.',
  ),
  wish(
    'handmade-cotton',
    { traits: { has: ['handmade-cotton'] } },
    [COTTON_50],
    { uses: ['all-purpose', 'fine'], fromTex: 18, toTex: 24 },
    'The seam should give before this cotton does: 50 wt cotton.',
  ),
  wish(
    'topstitch',
    {
      operation: { in: ['topstitch'] },
      silky: { is: false },
      any: [{ band: { known: false } }, { band: { notIn: LIGHT } }],
    },
    [
      { tex: 70, fibre: 'polyester', finish: 'spun', use: 'topstitch' },
      { tex: 60, fibre: 'polyester', finish: 'spun', use: 'topstitch' },
      ALL_PURPOSE,
    ],
    { uses: ['topstitch'], fromTex: 60, toTex: 90 },
    'Topstitching is meant to be seen: thread of 60 to 90 tex.',
  ),
  wish(
    'fine',
    { silky: { is: true } },
    [FINE],
    { uses: ['fine', 'all-purpose'], fromTex: 13, toTex: 20 },
    'At {massGsm} g/m² the cloth is sheer or silky: fine thread of 13 to 20 tex does not pull it together.',
  ),
  wish(
    'all-purpose',
    {},
    [ALL_PURPOSE, { tex: 24, fibre: 'polyester', finish: 'spun', use: 'all-purpose' }, FINE],
    { uses: ['all-purpose'], fromTex: 24, toTex: 30 },
    'All-purpose polyester of 24 to 30 tex is the default, stronger than cotton of the same size.',
  ),
])

/** The thread of the finer of two ways to sew a light cloth. */
export const FINER_THREAD_WISHES: readonly Rule<ThreadWish>[] = readable([
  wish(
    'finer',
    {},
    [FINE],
    { uses: ['fine', 'all-purpose'], fromTex: 13, toTex: 20 },
    'Thread of 13 to 20 tex makes the finer seam in {massGsm} g/m²: less to see, and less strength.',
  ),
])

/** What a thread that somebody names is for. First row that holds decides. */
export const THREAD_USE_OF: readonly Rule<{ readonly use: ThreadUse }>[] = readable([
  use('heavy', { threadFinish: { in: ['bonded'] } }, 'Bonded thread is for heavy work.'),
  use(
    'decorative',
    { any: [{ threadFinish: { in: ['monofilament'] } }, { threadFibre: { in: ['metallic'] } }] },
    'It is seen, not sewn with.',
  ),
  use('embroidery', { threadFibre: { in: ['rayon'] } }, 'Rayon is embroidery thread.'),
  use(
    'topstitch',
    { any: [{ threadTex: { over: 50 } }, { threadStrands: { over: 1 } }] },
    'Thread this thick is meant to be seen.',
  ),
  use('fine', { threadTex: { below: 20 } }, 'Under 20 tex is fine.'),
  use('all-purpose', {}, 'An ordinary thread.'),
])

function use(name: ThreadUse, when: Rule<unknown>['when'], because: string): Rule<{ use: ThreadUse }> {
  return { id: `use-${name}`, when, give: { use: name }, because, source: 'common practice', confidence: 'medium' }
}

export const THREAD_REASONS = {
  given: 'You asked for {threadTex} tex {threadFibre}.',
  finer:
    'It is taken finer, {threadTex} tex, to pass the {sizeText} that the cloth wants (eye {clearance} times the thread).',
  fits: '{threadTex} tex {threadFibre} passes {sizeText} with {clearance} times its width.',
  shelf: 'Of what would do, {threadTex} tex {threadFibre} is what lies on the shelf.',
  substituted:
    'In place of the {askedTex} tex asked for, which wants a larger eye than this cloth likes: {threadTex} tex passes {sizeText}. The kit with {askedTex} tex stands beside it with its price.',
  substitutedAlone:
    'In place of the {askedTex} tex asked for, for which this cloth and machine have no needle: {threadTex} tex passes {sizeText}. Where {askedTex} tex must be seen, it is sewn by hand.',
} as const

/** What goes on the bobbin; `same`: the top thread's own article. First row that holds decides. */
export const BOBBIN_WISHES: readonly Rule<{ readonly thread: KitThread | 'same' }>[] = readable([
  {
    id: 'bobbin-embroidery',
    when: { operation: { in: ['embroidery'] } },
    give: { thread: { tex: 15, fibre: 'polyester', finish: 'filament', use: 'bobbin' } },
    because: 'A fine bobbin thread of 15 tex lets {threadTex} tex embroidery lie on top and keeps the back thin.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'bobbin-normal-under-special',
    when: { any: [{ threadFibre: { in: ['metallic'] } }, { threadFinish: { in: ['monofilament'] } }] },
    give: { thread: { ...ALL_PURPOSE, use: 'bobbin' } },
    because: 'Under {threadFibre} {threadFinish} thread runs a normal all-purpose thread.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'bobbin-topstitch',
    when: { operation: { in: ['topstitch'] }, structure: { notIn: ['leather'] }, threadTex: { over: 35 } },
    give: { thread: { ...ALL_PURPOSE, use: 'bobbin' } },
    because: 'Under {threadTex} tex topstitching runs a normal 27 tex: two thick threads would jam in the hole.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'bobbin-same',
    when: {},
    give: { thread: 'same' },
    because:
      'The same {threadTex} tex article below as above: unequal weights are a named cause of jams and imbalance.',
    source: 'common practice',
    confidence: 'high',
  },
])
