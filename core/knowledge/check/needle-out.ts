import type { NeedleSign } from '../needle/wear'

/** What taking a needle out for a reason says of it: the state it is in, and where it goes. Source: common practice. */
export interface NeedleOutGiven {
  readonly words: string
  readonly state: 'sharp' | 'blunt' | 'bent' | 'burr' | 'broken' | 'not-looked'
  readonly wentTo: 'sharps' | 'part-used'
}

const sign = (words: string, state: NeedleOutGiven['state']): NeedleOutGiven => ({ words, state, wentTo: 'sharps' })

/** In the order of how often; the one table for a tap, a typed line, the bench list and a file. */
export const NEEDLE_OUT: Readonly<Record<NeedleSign | 'due' | 'other-kit' | 'unknown-age' | 'broken', NeedleOutGiven>> =
  {
    due: sign('It is due', 'blunt'),
    'other-kit': { words: 'Another kit needs another needle', state: 'sharp', wentTo: 'part-used' },
    skipped: sign('Skipped stitches', 'blunt'),
    popping: sign('Popping or thudding', 'blunt'),
    snags: sign('Snags or pulls yarns', 'burr'),
    struck: sign('Struck a pin, zip or plate', 'bent'),
    shredding: sign('Thread shreds at the eye', 'burr'),
    'unknown-age': sign('Nobody knows its age', 'not-looked'),
    broken: sign('It broke', 'broken'),
    holes: sign('Leaves visible holes', 'blunt'),
    labouring: sign('The motor labours', 'blunt'),
    bent: sign('Visibly bent', 'bent'),
    burr: sign('A burr', 'burr'),
  }

/** A state alone gives a reason, too: what was seen is why it came out. */
export const REASON_OF_STATE: Readonly<Record<NeedleOutGiven['state'], keyof typeof NEEDLE_OUT>> = {
  sharp: 'other-kit',
  blunt: 'due',
  bent: 'bent',
  burr: 'burr',
  broken: 'broken',
  'not-looked': 'unknown-age',
}
