/**
 * Whether this very thing is on its way: a button that waits only because something else is being saved would swallow the press.
 * Actions on one job wait for each other by themselves.
 */
export const isSending = (
  save: { readonly isPending: boolean; readonly variables: { readonly body?: object } | undefined },
  field: string,
): boolean => save.isPending && field in (save.variables?.body ?? {});
