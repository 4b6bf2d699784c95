/** The fields a request really carried: a field left out is not a field set to nothing. */
export function definedOnly<Value extends object>(
  value: Value,
): { [Key in keyof Value]: Exclude<Value[Key], undefined> } {
  return Object.fromEntries(Object.entries(value).filter(([, entry]) => entry !== undefined)) as never;
}
