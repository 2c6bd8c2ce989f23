const base = 'http://workbench.invalid';

/**
 * An address of the demo company as it is asked for, or `undefined` where it leads elsewhere. Compared after resolving,
 * since one address may be written in many ways; what would still mean another folder when it is decoded once more is none.
 */
export function companyAddress(address: string): string | undefined {
  try {
    const { origin, pathname, search } = new URL(address, base);
    const parts = decodeURIComponent(pathname).split('/');
    const isPlain = parts.length === pathname.split('/').length && !parts.some((part) => /^\.\.?$|[\\%]/.test(part));
    return origin === base && pathname.startsWith('/company/') && isPlain ? pathname + search : undefined;
  } catch {
    return undefined;
  }
}
