'use client'

import { createContext, useContext, type ReactNode } from 'react'
import { METRIC, type Units } from '@/core/units/measure'

const Here = createContext<Units>(METRIC)

/** In what the venue measures, for everything below. */
export const UnitsOf = ({ units, children }: { units: Units | undefined; children: ReactNode }) => (
  <Here.Provider value={units ?? METRIC}>{children}</Here.Provider>
)

export const useUnits = (): Units => useContext(Here)
