/** What is told to developers only: a bundler for production replaces `process.env.NODE_ENV` and leaves it out. */
declare const process: { readonly env: { readonly NODE_ENV?: string } };
declare const console: { warn(text: string): void };

/** Whether this is a development build. Without Node and without a bundler nobody has said so. */
export function isDevelopment(): boolean {
  try {
    return process.env.NODE_ENV !== 'production';
  } catch {
    return false;
  }
}

/** Warns on the console, in development only. */
export function warnDeveloper(text: string): void {
  if (isDevelopment()) console.warn(text);
}
