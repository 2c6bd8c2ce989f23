/** Values to choose from, with their texts. */
export type SaidChoices = readonly { readonly value: unknown; readonly text: string }[];

/** What a form that is drawn says beside its labels. Texts with `{…}` are none here: what varies is a parameter. */
export interface DrawnWords {
  readonly required: string;
  readonly deprecated: string;
  readonly checking: string;
  /** Behind the first problem of a field, where there are others. */
  readonly more: (count: number) => string;
  /** Above the list of problems after an attempt to send. */
  readonly toMend: (count: number) => string;
  /** On a tab, for those who hear it. */
  readonly toMendHere: (count: number) => string;
  readonly toMendOnPage: (count: number) => string;
  readonly wholeForm: string;
  /** An entry of a list that has no name of its own. */
  readonly entry: string;
  readonly send: string;
  readonly sending: string;
  /** An input that broke. */
  readonly broken: (label: string, reason: string) => string;
  readonly tryAgain: string;

  readonly oneOf: string;
  readonly add: (name: string) => string;
  readonly open: (name: string) => string;
  readonly takeAway: string;
  readonly takeAwayOf: (name: string) => string;
  readonly tookAway: (name: string) => string;
  readonly putBack: string;
  readonly most: (count: number) => string;
  readonly actions: (name: string) => string;
  readonly drag: string;
  readonly up: (name: string) => string;
  readonly down: (name: string) => string;
  readonly double: string;
  readonly doubleOf: (name: string) => string;

  readonly memberName: (name: string) => string;
  readonly takeAwayMember: (name: string) => string;
  /** `group` is empty where it has no label. */
  readonly newMember: (group: string) => string;
  readonly namePlaceholder: string;
  readonly addMember: string;
  readonly nameNeeded: string;
  readonly nameTaken: (name: string) => string;
  readonly nameNotAllowed: (name: string) => string;

  readonly choices: string;
  readonly nothingFits: string;
  readonly looking: string;
  readonly nothingFound: string;
  /** The server has more than so many. */
  readonly moreThere: (count: number) => string;
  readonly dependsOn: string;
  readonly notFetched: (reason: string) => string;
  readonly unknownChoice: (value: string) => string;
  readonly aFile: string;
  readonly fileBroken: (reason: string) => string;
  readonly size: (bytes: number) => string;

  readonly pages: string;
  readonly page: (number: number, all: number) => string;
  readonly overview: string;
  readonly next: string;
  readonly back: string;
  readonly change: string;
  readonly changeOf: (name: string) => string;
  readonly nothingFilledIn: string;
  /** Choices whose values are yes, no or nothing, where nobody gave them words; the same list for the same choices. */
  readonly inWords: <Given extends SaidChoices | undefined>(choices: Given) => Given | SaidChoices;
  readonly yes: string;
  readonly no: string;

  /** Why nothing came of sending; `typedIsKept` follows. */
  readonly noAnswer: string;
  readonly stopped: string;
  readonly noToken: (address: string, member: string) => string;
  readonly typedIsKept: string;
}
