/** Says whether a text has the format. Formats look at texts only. */
export type Format = (text: string) => boolean;

/** Formats by name. */
export type Formats = Readonly<Record<string, Format>>;
