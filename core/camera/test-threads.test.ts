import { describe, expect, it } from 'vitest'
import { ORDINARY_TEST_THREADS } from '../room/venue-settings'
import { threadsAlike } from './test-threads'

describe('the two threads of test swatches', () => {
  it('are good where they are far apart and the darker lies above', () => {
    expect(threadsAlike(ORDINARY_TEST_THREADS)).toBeUndefined()
    expect(threadsAlike({ top: '#1d3b34', bobbin: '#d8b21f' })).toBeUndefined()
  })
  it('are refused where nobody could tell them apart, and where the light one lies above', () => {
    expect(threadsAlike({ top: '#22406b', bobbin: '#2c4a70' })).toContain('too alike')
    expect(threadsAlike({ top: ORDINARY_TEST_THREADS.bobbin, bobbin: ORDINARY_TEST_THREADS.top })).toContain('darker')
  })
})
