/** The rest of `unprofiled.ts`, which has to come before the framework, as this comes after it. */
import * as React from 'react';

/** Whether it takes stacks it asks a number that it counts up and sets back itself: here it is always over the limit. */
const inside = (React as unknown as Readonly<Record<string, object | undefined>>)[
  '__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE'
];
if (inside) Object.defineProperty(inside, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => undefined });
