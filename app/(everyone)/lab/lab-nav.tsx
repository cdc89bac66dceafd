import { Link } from '@/ui/parts/link'

const PAGES = [
  { href: '/lab', name: 'Swatch lab' },
  { href: '/lab/trainer', name: 'Trainer' },
  { href: '/lab/demonstration', name: 'Demonstration' },
  { href: '/lab/hand-out', name: 'Hand-out' },
  { href: '/lab/cloth', name: 'Which cloth' },
  { href: '/lab/words', name: 'Words' },
] as const

/** The ways through the lab. */
export function LabNav({ here, mayProgress }: { here: string; mayProgress: boolean }) {
  const pages = mayProgress ? [...PAGES, { href: '/lab/progress', name: 'Who can do what' }] : PAGES
  return (
    <nav aria-label="Lab" className="mb-4 flex flex-wrap gap-1">
      {pages.map(({ href, name }) => (
        <Link
          key={href}
          href={href}
          aria-current={here === href ? 'page' : undefined}
          className={`btn ${here === href ? 'btn-neutral' : 'btn-ghost'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  )
}
