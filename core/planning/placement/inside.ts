/** A map, or one that forgets what nobody else holds. */
interface Lookup<K, V> {
  get(key: K): V | undefined;
  set(key: K, value: V): unknown;
}

/** What a map has for a key, made where it has nothing yet. */
export function inside<K, V>(map: Lookup<K, V>, key: K, make: () => V): V {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  map.set(key, made);
  return made;
}
