import { nameKey } from '../people/same-name'
import type { ProjectFacts } from '../kit/project'

/** A line of a sheet that hangs on the rack already: the same, or with something changed since. */
export interface AlreadyHere {
  readonly projectId: string
  readonly same: boolean
}

interface Hanging extends ProjectFacts {
  readonly projectId: string
  readonly learner: string
}

const sorted = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(sorted)
    : value !== null && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([, each]) => each !== undefined && !(Array.isArray(each) && each.length === 0))
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([key, each]) => [key, sorted(each)]),
        )
      : value

/** The same work in every number and word. */
const sameWork = (a: ProjectFacts, b: ProjectFacts): boolean => {
  const text = ({ fabric, layers, operation, sewn }: ProjectFacts) =>
    JSON.stringify(
      sorted({ fabric: { ...fabric, traits: [...(fabric.traits ?? [])].sort() }, layers, operation, sewn }),
    )
  return text(a) === text(b)
}

/** Whether a learner of that name makes a thing of that name already; of several the one that is the same, else the first. */
export function alreadyHere(
  row: ProjectFacts & { readonly learner: string },
  hanging: readonly Hanging[],
): AlreadyHere | null {
  const own = hanging.filter(
    ({ learner, name }) => nameKey(learner) === nameKey(row.learner) && nameKey(name) === nameKey(row.name),
  )
  const found = own.find((each) => sameWork(each, row)) ?? own[0]
  return found ? { projectId: found.projectId, same: sameWork(found, row) } : null
}
