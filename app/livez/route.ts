/** Whether this process answers at all; it asks nothing of the database. */
export const GET = (): Response => new Response('ok\n', { headers: { 'cache-control': 'no-store' } })
export const dynamic = 'force-dynamic'
