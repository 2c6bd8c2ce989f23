/** An input that never comes to an end in one of its states; for the tests of the proof. */
interface Props {
  readonly value?: string;
  readonly disabled?: boolean;
  readonly id?: string;
  onChange?(event: unknown): void;
}

export function HangsWhereDisabled({ value = '', disabled = false, ...rest }: Props) {
  // The end never comes.
  while (disabled) if (value.length > 1e9) break;
  return <input value={value} {...rest} />;
}
