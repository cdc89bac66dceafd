import { describe, expect, it } from 'vitest'
import { POINT_PROPOSALS } from './needle/needle-point'
import { SCHOOLS, schoolWords, type School } from './school'

describe('the school of a rule', () => {
  it('is one that a room may choose, and is said without a choice that nobody made', () => {
    const named = POINT_PROPOSALS.flatMap(({ school }) => school ?? [])
    expect(named.length).toBeGreaterThan(5)
    for (const school of named) {
      const [question, way] = school.split(': ') as [School, string]
      expect([school, Object.keys(SCHOOLS[question].ways)]).toEqual([school, expect.arrayContaining([way])])
      expect(schoolWords(school)).toContain(SCHOOLS[question].question.toLowerCase())
      expect(schoolWords(school)).not.toContain((SCHOOLS[question].ways as Readonly<Record<string, string>>)[way])
    }
  })
})
