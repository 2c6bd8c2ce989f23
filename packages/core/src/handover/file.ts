/** One file to be: its path below the folder that the developer chooses, and its text. */
export interface HandoverFile {
  readonly path: string;
  readonly text: string;
}
