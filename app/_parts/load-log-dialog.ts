/** The one way to the dialog of a typed line: loaded when it is wanted, and kept for when there is no network. */
export const loadLogDialog = () => import('@/ui/parts/log-dialog')
