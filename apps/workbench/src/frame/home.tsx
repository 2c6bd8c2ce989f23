import type { ReactNode } from 'react';
import { Navigate } from 'react-router';
import { pathOf } from '../parts/kit-part.js';
import { useKit } from '../store/kit.js';

/** Where one comes in: the kit's first form, with work to look at; in an empty kit, where one begins. */
export function Component(): ReactNode {
  const first = useKit(({ kit }) => Object.keys(kit.forms)[0]);
  return <Navigate to={first === undefined ? '/begin' : pathOf('forms', first)} replace />;
}
