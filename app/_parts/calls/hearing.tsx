'use client'

import { Bell, BellOff } from 'lucide-react'
import { ring, setQuiet, useHearing } from './ring'

const SAYS = {
  heard: 'Calls are heard here',
  quiet: 'Calls are not heard here',
  untouched: 'Tap to hear calls here',
} as const

/** Whether calls are heard at this device, and the other way round at a tap. */
export function Hearing() {
  const hearing = useHearing()
  if (!hearing) return null
  return (
    <button
      type="button"
      className="btn btn-outline min-h-11"
      onClick={() => {
        setQuiet(hearing === 'heard')
        if (hearing !== 'heard') ring('help')
      }}
    >
      {hearing === 'heard' ? <Bell aria-hidden="true" /> : <BellOff aria-hidden="true" />}
      {SAYS[hearing]}
    </button>
  )
}
