import { useState } from 'react';

import { selectWrite, useAppSelector } from '@/state/app';
import { Plate } from '@/ui/plate';

import type { ReadNumber } from '../shared/numbers';
import { WhoField } from '../shared/WhoField';

interface NumberEntryProps {
  label: string;
  /** What taking it does. */
  word: string;
  read: (text: string) => ReadNumber;
  onTake: (number: string) => void;
}

/** A number to type, or somebody to find; a wrong one is said to be so and stays to be mended. */
export function NumberEntry({ label, word, read, onTake }: NumberEntryProps) {
  const write = useAppSelector(selectWrite);
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
      <WhoField
        label={label}
        value={text}
        onChange={(typed) => {
          setText(typed);
          setError(null);
        }}
        onSubmit={take}
        error={error}
        isSettled={read(text).ok}
        canBe={(_, number) => read(number).ok}
        onPick={({ number }) => setText(write(number))}
      />
      <Plate word={word} onPress={take} />
    </>
  );
}
