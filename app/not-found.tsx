import { Link } from '@/ui/parts/link'

export default function NotFound() {
  return (
    <main id="main" className="mx-auto flex min-h-[70dvh] max-w-xl flex-col justify-center gap-4 px-5">
      <h1 className="text-3xl font-bold">Nothing is here</h1>
      <p className="text-lg">This page does not exist, or it is not for the person who is signed in.</p>
      <p>
        <Link href="/" className="btn btn-primary">
          Back to your place
        </Link>
      </p>
    </main>
  )
}
