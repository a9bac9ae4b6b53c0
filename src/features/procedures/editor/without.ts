/** Something with changed parts; a part that is undefined is taken away rather than kept empty. */
export function changed<T extends object>(whole: T, parts: { [key in keyof T]?: T[key] | undefined }): T {
  return Object.fromEntries(Object.entries({ ...whole, ...parts }).filter(([, value]) => value !== undefined)) as T;
}
