import { writeFormChecks } from '../build/form-checks'

await writeFormChecks('.generated/form-checks')
