'use client'

import NextLink from 'next/link'
import type { ComponentProps } from 'react'
import { useGo } from './going'

/**
 * The way to another page of this room. Every page is drawn for whoever opens it, so one that was asked for ahead would be drawn
 * twice: opening the room once asked for thirteen others, and cost the server more than the room itself. Nothing is asked ahead.
 */
export function Link(
  props: Omit<ComponentProps<typeof NextLink>, 'prefetch' | 'href' | 'onNavigate'> & { href: string },
) {
  const { href, scroll } = props
  const go = useGo()
  return (
    <NextLink
      prefetch={false}
      {...props}
      onNavigate={(navigation) => {
        navigation.preventDefault()
        go(href, scroll === undefined ? undefined : { scroll })
      }}
    />
  )
}
