/**
 * A record without what every object has of itself. What is looked up by words that people type must be one: a unit may
 * be called `constructor`, and `toString` may stand where a unit is expected.
 */
export const bare = <T>(entries: Readonly<Record<string, T>> = {}): Record<string, T> =>
  Object.assign(Object.create(null) as Record<string, T>, entries);

/** The value of a record that came from elsewhere (another thread, a file) and so is like any other object. */
export const ownOf = <T>(record: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(record, key) ? record[key] : undefined;
