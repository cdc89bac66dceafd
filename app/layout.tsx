import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import './globals.css'
import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import { preload } from 'react-dom'
import { Toaster } from 'sonner'
import { LANGUAGE } from '@/core/units/language'
import { Going } from '@/ui/parts/going'
import { EarlyTouch } from './_parts/early-touch'
import { KeepFocus } from './_parts/keep-focus'
import { MissedTouch } from './_parts/missed-touch'
import { Leaving } from './_parts/leaving'

/** The letters that nearly every page is written in: asked for along with it, so that it is laid out once and in the face that it keeps. */
const LETTERS = new URL(
  '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  import.meta.url,
)

export const metadata: Metadata = {
  title: { default: 'Orthodex', template: '%s · Orthodex' },
  description: 'Machines, kits, swatches and needle hours of a shared sewing room',
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

/** What is said at the foot of a page is of the same paper and ink, by day and by night. */
const TOAST = {
  '--normal-bg': 'var(--color-base-100)',
  '--normal-text': 'var(--color-base-content)',
  '--normal-border': 'var(--color-base-300)',
} as React.CSSProperties

/** As tall as a finger: it is the way back from a tap that went wrong. */
const TOAST_BUTTON: React.CSSProperties = {
  height: '2.75rem',
  paddingInline: '1rem',
  fontSize: '1rem',
  backgroundColor: 'var(--color-primary)',
  color: 'var(--color-primary-content)',
}

export default async function Layout({ children }: { children: React.ReactNode }) {
  // Reading the request makes every page dynamic, so that its scripts carry the nonce of its policy.
  const asked = await headers()
  preload(LETTERS.pathname, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' })
  return (
    <html lang={LANGUAGE}>
      <body className="min-h-dvh print:min-h-0 bg-base-100 text-base-content antialiased">
        <EarlyTouch nonce={asked.get('x-nonce') ?? undefined} />
        <a
          href="#main"
          className="sr-only focus:not-sr-only focus:fixed focus:left-3 focus:top-3 focus:z-50 focus:bg-base-100 focus:p-3"
        >
          Skip to the page
        </a>
        <Going>{children}</Going>
        <MissedTouch />
        <KeepFocus />
        <Leaving />
        <Toaster
          position="bottom-center"
          containerAriaLabel="What was done"
          duration={8000}
          toastOptions={{ className: 'font-sans! text-base!', actionButtonStyle: TOAST_BUTTON }}
          style={TOAST}
        />
      </body>
    </html>
  )
}
