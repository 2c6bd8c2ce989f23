/** The ports as a row of buttons: quicker at the desk than a list. */
export interface PortButtonsProps {
  /** The port that is pressed. */
  readonly value?: string;
  readonly options?: readonly { readonly value: string; readonly label: string }[];
  /** Tells the port that was pressed; pressed again, there is none. */
  onChange?(port: string | undefined): void;
  readonly disabled?: boolean;
}

export function PortButtons({ value, options = [], onChange, disabled = false }: PortButtonsProps): React.JSX.Element {
  return (
    <span>
      {options.map((port) => (
        <button
          key={port.value}
          type="button"
          disabled={disabled}
          aria-pressed={port.value === value}
          style={{ margin: 2, padding: '6px 12px', fontWeight: port.value === value ? 'bold' : 'normal' }}
          onClick={() => onChange?.(port.value === value ? undefined : port.value)}
        >
          {port.label}
        </button>
      ))}
    </span>
  );
}
