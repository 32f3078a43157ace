const kept = globalThis as unknown as { sentinel?: Map<string, unknown> };

/**
 * One per process. Pages, route handlers and the start are bundled apart, and each would else hold its own copy of a module's variables.
 * For data only: a class is another in each bundle, and `instanceof` would not know it.
 */
export function perProcess<T>(name: string, make: () => T): T {
  kept.sentinel ??= new Map();
  if (!kept.sentinel.has(name)) kept.sentinel.set(name, make());
  return kept.sentinel.get(name) as T;
}
