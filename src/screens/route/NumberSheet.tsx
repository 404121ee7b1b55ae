import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { fold } from '@/core/shared/textSearch';
import { selectWrite, selectOffice, useAppSelector } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

const mostWithoutSearch = 8;
const shownAtOnce = 30;

interface NumberSheetProps {
  callsByLine: ReadonlyMap<string, number> | null;
  /** The id of a line; null for all of them. */
  onChoose: (lineId: string | null) => void;
  onClose: () => void;
}

/** Which of the office's numbers is followed, those with the most calls first. */
export function NumberSheet({ callsByLine, onChoose, onClose }: NumberSheetProps) {
  const write = useAppSelector(selectWrite);
  const { lines } = useAppSelector(selectOffice).setup;
  const [text, setText] = useState('');
  const calls = (id: string) => callsByLine?.get(id) ?? 0;
  const found = lines
    .filter(({ name, number }) => fold(`${name} ${number} ${write(number)}`).includes(fold(text)))
    .sort((a, b) => calls(b.id) - calls(a.id));
  return (
    <Sheet title="From which number" onClose={onClose}>
      <View style={styles.stack}>
        {lines.length > mostWithoutSearch ? (
          <Field label="Name or number" value={text} onChange={setText} />
        ) : null}
        <Plate word="All numbers together" onPress={() => onChoose(null)} />
        <View role="list" aria-label="Numbers">
          {found.slice(0, shownAtOnce).map(({ id, name, number, cord }) => (
            <View key={id} role="listitem">
              <Row
                title={name}
                detail={`${write(number)}${callsByLine ? ` · ${calls(id) === 1 ? '1 call' : `${calls(id)} calls`}` : ''}`}
                before={<CordEdge cord={cord} />}
                onPress={() => onChoose(id)}
              />
            </View>
          ))}
        </View>
        {found.length === 0 ? <Txt>No line has that in its name or number.</Txt> : null}
        {found.length > shownAtOnce ? (
          <Txt as="small">{`${found.length - shownAtOnce} more: type part of the name.`}</Txt>
        ) : null}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.m } });
