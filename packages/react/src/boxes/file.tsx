/** A file as a value. */
import { fileAdapters } from '@poietra/core';
import { useRef, useState, type ReactNode } from 'react';
import { adaptNative } from '../adapt-native.js';
import { useWords } from '../scope.js';
import { fileWords } from '../words/file-words.js';
import { adaptedBoxes, type BoxProps, type Boxes } from './box.js';

interface FileProps extends BoxProps {
  readonly accept?: string;
}

/** A file as data text (RFC 2397). The value does not carry the file's name; what is there is told by kind and size. */
export function FileBox({ value, onChange, choices: _choices, ...rest }: FileProps): ReactNode {
  const words = useWords(fileWords);
  const [trouble, setTrouble] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const data = typeof value === 'string' ? /^data:([^;,]*)[^,]*,(.*)$/s.exec(value) : null;
  const read = (file: File | undefined): void => {
    setTrouble(undefined);
    if (!file) return;
    const reader = new FileReader();
    reader.onload = () => onChange?.(reader.result);
    reader.onerror = () => setTrouble(words.fileBroken(reader.error?.message ?? file.name));
    reader.readAsDataURL(file);
    // The browser would go on to name the file, also when the form does not take it.
    if (input.current) input.current.value = '';
  };
  return (
    <div className="poietra-file">
      <input {...rest} ref={input} type="file" onChange={(event) => read(event.target.files?.[0])} />
      {data && (
        <span className="poietra-file-there">
          {data[1]?.startsWith('image/') && <img src={String(value)} alt="" />}
          {data[1] === '' ? words.aFile : data[1]}, {words.size(((data[2]?.length ?? 0) * 3) / 4)}
          <button type="button" disabled={rest.disabled} onClick={() => onChange?.(undefined)}>
            {words.takeAway}
          </button>
        </span>
      )}
      {trouble !== undefined && <span role="alert">{trouble}</span>}
    </div>
  );
}

export const fileBoxes: Boxes = { file: FileBox };
/** A file as a value, as an adapted input. */
export const fileInputs = adaptedBoxes(fileBoxes, fileAdapters, adaptNative);
