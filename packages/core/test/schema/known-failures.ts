/** Optional tests of the official suite that give another verdict here, by draft. The reasons stand in docs/schema.md. */
export const knownFailures: Readonly<Record<string, readonly string[]>> = {
  draft4: [
    'optional/zeroTerminatedFloats.json | some languages do not distinguish between different types of numeric value | a float is not an integer even without fractional part',
  ],
};
