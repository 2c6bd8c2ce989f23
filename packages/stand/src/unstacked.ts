/** The rest of `unprofiled.ts`, which has to come before the framework, as this comes after it. */
import * as React from 'react';

/**
 * Whether it takes stacks the framework asks a number that it counts up and sets back itself: from now on it is always
 * over the limit. A function, since what is only imported for what it does is dropped from a bundle.
 */
export function takeNoStacks(): void {
  const inside = (React as unknown as Readonly<Record<string, object | undefined>>)[
    '__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE'
  ];
  if (inside)
    Object.defineProperty(inside, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => undefined });
}
