/** What somebody can be signed off for. */
export const SKILLS = ['tension', 'needle-change', 'threading'] as const
export type Skill = (typeof SKILLS)[number]
export const SKILL_WORDS: Readonly<Record<Skill, string>> = {
  tension: 'reads a swatch and turns the dial',
  'needle-change': 'changes a needle',
  threading: 'threads and loads the bobbin',
}
