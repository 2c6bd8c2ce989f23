import type { ReactNode } from 'react';
import { Navigate, useNavigation } from 'react-router';
import { pathOf } from '../parts/kit-part.js';
import { useKit } from '../store/kit.js';

/** Where one comes in: the kit's first form, with work to look at; in an empty kit, where one begins. */
export function Component(): ReactNode {
  const first = useKit(({ kit }) => Object.keys(kit.forms)[0]);
  const isOnTheWay = useNavigation().state !== 'idle';
  // Who has pressed something while the kit was being opened goes there, and not here.
  if (isOnTheWay) return null;
  return <Navigate to={first === undefined ? '/begin' : pathOf('forms', first)} replace />;
}
