import { useEffect, useRef } from 'react';
import SignaturePad from 'signature_pad';

interface Props {
  /** A picture as a data text, or nothing. */
  value?: string;
  onChange?: (value: string | undefined) => void;
  onBlur?: () => void;
  disabled?: boolean;
}

/** A box to sign in, by pointer or finger; what is signed is a picture. */
export function SignatureBox({ value, onChange, onBlur, disabled }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad | null>(null);
  const told = useRef<string | undefined>(undefined);
  const tell = useRef(onChange);
  useEffect(() => {
    tell.current = onChange;
  });
  useEffect(() => {
    if (!canvas.current) return undefined;
    // A line of one width: otherwise how fast somebody draws, and how busy the machine is, would be in the picture.
    const made = new SignaturePad(canvas.current, { minWidth: 1.6, maxWidth: 1.6, throttle: 0, minDistance: 0 });
    pad.current = made;
    const end = () => {
      told.current = made.toDataURL();
      tell.current?.(told.current);
    };
    made.addEventListener('endStroke', end);
    return () => {
      made.removeEventListener('endStroke', end);
      made.off();
    };
  }, []);
  useEffect(() => {
    if (disabled) pad.current?.off();
    else pad.current?.on();
  }, [disabled]);
  useEffect(() => {
    if (value === told.current || !pad.current) return;
    told.current = value;
    pad.current.clear();
    if (value) void pad.current.fromDataURL(value, { ratio: 1, width: 320, height: 110 });
  }, [value]);
  return (
    <div onBlur={onBlur}>
      <canvas
        ref={canvas}
        width={320}
        height={110}
        tabIndex={disabled ? -1 : 0}
        role="img"
        aria-label={value ? 'Signed' : 'Not signed yet'}
        style={{ border: '1px solid currentColor', borderRadius: 4, background: '#fff', touchAction: 'none' }}
      />
      <button
        type="button"
        disabled={disabled || !value}
        onClick={() => {
          pad.current?.clear();
          told.current = undefined;
          onChange?.(undefined);
        }}
      >
        Clear the signature
      </button>
    </div>
  );
}
