/** Whether a line calls somebody to come: what is handed on is handed to a person, and who is hurt is not alone. */
export const callsSomebody = (line: { readonly kind: string; readonly body: unknown }): boolean =>
  line.kind === 'somebody-hurt' ||
  (line.kind === 'fault-run' && (line.body as { readonly outcome?: string }).outcome === 'handed-on')
