/** Who there is in a room, and groups of them that rights are given to. */
export const ROLES = ['coordinator', 'instructor', 'helper', 'learner'] as const
export type Role = (typeof ROLES)[number]
export const STAFF_ROLES = ['coordinator', 'instructor', 'helper'] as const satisfies readonly Role[]
export type StaffRole = (typeof STAFF_ROLES)[number]

export const STAFF: readonly Role[] = [...STAFF_ROLES]
export const EVERYONE: readonly Role[] = [...ROLES]
export const TEACHING: readonly Role[] = ['coordinator', 'instructor']
export const COORDINATOR: readonly Role[] = ['coordinator']

/**
 * What four digits open that anybody in a room may see tapped: what a class needs, and no more. People, keys, the venue and letting a
 * machine run again take a sign-in of one's own.
 */
export const roleByPin = (role: Role): Role => (role === 'coordinator' ? 'instructor' : role)
