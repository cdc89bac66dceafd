export { GET } from '../api/health/route'
export const dynamic = 'force-dynamic'
