import { useState } from 'react';

import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';

import type { ReadNumber } from '../shared/numbers';

interface NumberEntryProps {
  label: string;
  /** What taking it does. */
  word: string;
  read: (text: string) => ReadNumber;
  onTake: (number: string) => void;
}

/** A number to type; a wrong one is said to be so and stays to be mended. */
export function NumberEntry({ label, word, read, onTake }: NumberEntryProps) {
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const take = () => {
    const found = read(text);
    if (!found.ok) return setError(found.sentence);
    setText('');
    onTake(found.number);
  };
  return (
    <>
      <Field
        label={label}
        value={text}
        onChange={(typed) => {
          setText(typed);
          setError(null);
        }}
        onSubmit={take}
        numeric
        error={error}
      />
      <Plate word={word} onPress={take} />
    </>
  );
}
