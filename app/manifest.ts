import type { MetadataRoute } from 'next'

/** What a device needs to put it on its home screen. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Orthodex',
    short_name: 'Orthodex',
    description: 'Machines, kits, swatches and needle hours of a shared sewing room',
    start_url: '/',
    display: 'standalone',
    background_color: '#f8f5ec',
    theme_color: '#f8f5ec',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
  }
}
