/**
 * In development the framework marks each of its steps for the browser's profiler, and takes a stack for each element, so
 * that whoever debugs sees who made it. Nobody debugs a frame that proves, and both cost it time.
 * What it warns of says the same without. It looks for the console's functions once, as it is loaded, so this module
 * comes first.
 */
const { timeStamp, createTask } = console as Console & { readonly createTask?: unknown };
Object.assign(console, { timeStamp: undefined, createTask: undefined });
Error.stackTraceLimit = 0;

/** Once all is loaded: whoever else calls them finds them. */
export function giveBackTheConsole(): void {
  Object.assign(console, { timeStamp, createTask });
}
