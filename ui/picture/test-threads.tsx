'use client'

import { createContext, useContext, type ReactNode } from 'react'
import { ORDINARY_TEST_THREADS, type TestThreads } from '@/core/room/venue-settings'

const Here = createContext<TestThreads>(ORDINARY_TEST_THREADS)

/** The two colours in which this venue sews its test swatches, for everything below. */
export const TestThreadsOf = ({ threads, children }: { threads: TestThreads | undefined; children: ReactNode }) => (
  <Here.Provider value={threads ?? ORDINARY_TEST_THREADS}>{children}</Here.Provider>
)

export const useTestThreads = (): TestThreads => useContext(Here)
