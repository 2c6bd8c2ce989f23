/** A part of the kit by its name, which comes from an address: `toString` is a name like any other. */
export const partOf = <T>(parts: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(parts, name) ? parts[name] : undefined;
