/** Gives the person a file; the browser asks where to, or puts it with the downloads. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The download has begun by the next turn; the address is then no longer needed.
  setTimeout(() => URL.revokeObjectURL(address));
}
