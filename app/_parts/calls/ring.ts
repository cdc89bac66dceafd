'use client'

import { useEffect, useState, useSyncExternalStore } from 'react'
import { toBeHeard, type RingingCall } from '@/core/people/call-ring'

/** Two notes up for a call, three alike where somebody is hurt; Hz. */
const NOTES = { help: [587, 784], hurt: [880, 880, 880], visit: [] } as const
const NOTE_SECONDS = 0.22
const LOUD = 0.25
/** How often it is looked whether a call is to be heard. */
const LOOK_MS = 1_000

const QUIET = 'orthodex-quiet'
const listeners = new Set<() => void>()

/** Whether this device lets calls be heard: it is the device that stands in a quiet corner, not the person. */
export const isQuiet = (): boolean => localStorage.getItem(QUIET) !== null

export function setQuiet(quiet: boolean): void {
  if (quiet) localStorage.setItem(QUIET, '')
  else localStorage.removeItem(QUIET)
  for (const listen of listeners) listen()
}

let made: AudioContext | undefined
const theSound = (): AudioContext => (made ??= new AudioContext())

/** A browser lets nothing be heard on a page that nobody has touched yet, unless they had touched the one before it. */
const mayBeHeard = (): boolean => navigator.userActivation?.hasBeenActive === true || theSound().state === 'running'

export function ring(about: RingingCall['about']): void {
  const sound = theSound()
  void sound.resume()
  NOTES[about].forEach((hz, index) => {
    const from = sound.currentTime + 0.05 + index * NOTE_SECONDS
    const [note, loud] = [sound.createOscillator(), sound.createGain()]
    note.frequency.value = hz
    // Swelling and dying away: a note that is cut off clicks.
    loud.gain.setValueAtTime(0, from)
    loud.gain.linearRampToValueAtTime(LOUD, from + 0.03)
    loud.gain.linearRampToValueAtTime(0, from + NOTE_SECONDS * 0.95)
    note.connect(loud).connect(sound.destination)
    note.start(from)
    note.stop(from + NOTE_SECONDS)
  })
}

/** Lets calls be heard at this device, and again until somebody goes; one that is quiet trembles where it can. */
export function useRings(calls: readonly RingingCall[]): void {
  const [heard] = useState(() => new Map<string, number>())
  useEffect(() => {
    const look = () => {
      if (document.visibilityState !== 'visible') return
      // A browser lets a page that nobody has touched move nothing, and complains of the asking.
      const moves = navigator.userActivation?.hasBeenActive === true
      const aloud = !isQuiet() && mayBeHeard()
      if (!moves && !aloud) return
      const now = performance.now()
      const due = toBeHeard(calls, heard, now)
      if (!due) return
      heard.set(due.callId, now)
      if (aloud) ring(due.about)
      if (moves) navigator.vibrate?.(200)
    }
    look()
    const timer = setInterval(look, LOOK_MS)
    return () => clearInterval(timer)
  }, [calls, heard])
}

const listenToQuiet = (listen: () => void) => {
  listeners.add(listen)
  window.addEventListener('storage', listen)
  return () => {
    listeners.delete(listen)
    window.removeEventListener('storage', listen)
  }
}

/**
 * Whether calls may be heard, as it was after the last tap had done what it says: a page may be drawn anew between a finger's coming
 * and its going, and the tap that lets calls be heard would make them quiet.
 */
let touched = false
const listenToTouch = (listen: () => void) => {
  const look = () => {
    touched = mayBeHeard()
    listen()
  }
  touched = mayBeHeard()
  window.addEventListener('click', look)
  return () => window.removeEventListener('click', look)
}

/** Whether this device lets a call be heard; `untouched` until somebody has touched the page. Undefined until its program runs. */
export function useHearing(): 'heard' | 'quiet' | 'untouched' | undefined {
  const quiet = useSyncExternalStore(listenToQuiet, isQuiet, () => undefined)
  const heard = useSyncExternalStore(
    listenToTouch,
    () => touched,
    () => false,
  )
  return quiet === undefined ? undefined : quiet ? 'quiet' : heard ? 'heard' : 'untouched'
}
