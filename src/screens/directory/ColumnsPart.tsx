import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { CsvField } from '@/core/people/files';
import { Choice } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';
import type { PeopleAnswer } from '@/workers/peopleFile';

const fieldWords: Record<CsvField, string> = {
  name: 'whole name',
  given: 'first name',
  family: 'family name',
  firm: 'firm',
  number: 'a number',
  mail: 'mail',
  place: 'address',
  group: 'group',
  note: 'note',
  none: 'not needed',
};
const options = (Object.keys(fieldWords) as CsvField[]).map((value) => ({ value, word: fieldWords[value] }));

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.m },
    column: { gap: space.xs, paddingBottom: space.m, borderBottomWidth: 1, borderColor: colours.rule },
  }),
);

interface ColumnsPartProps {
  table: Extract<PeopleAnswer, { kind: 'table' }>;
  onRead: (fields: CsvField[]) => void;
  onLeave: () => void;
}

/** What each column of a table holds: as its head tells, or as it is said here. */
export function ColumnsPart({ table, onRead, onLeave }: ColumnsPartProps) {
  const styles = useStyles();
  const [fields, setFields] = useState(table.fields);
  const [problem, setProblem] = useState<string | null>(null);
  const read = () => {
    const hasName = fields.some((field) => ['name', 'given', 'family', 'firm'].includes(field));
    if (hasName) onRead(fields);
    else setProblem('Say which column holds the name, or the firm.');
  };
  return (
    <View style={styles.part} role="region" aria-label="Columns">
      <Txt as="heading" level={2}>
        {`A table of ${table.count} rows`}
      </Txt>
      {table.columns.map((column, at) => (
        <View key={`${column} ${at}`} style={styles.column}>
          <Txt as="small" lines={1}>
            {`For example: ${table.sample.flatMap((row) => row[at] ?? []).join(' · ')}`}
          </Txt>
          <Choice
            asStrip
            label={column === '' ? `Column ${at + 1}` : column}
            value={fields[at] ?? 'none'}
            options={options}
            onChoose={(field) => setFields(fields.map((each, index) => (index === at ? field : each)))}
          />
        </View>
      ))}
      <Problem sentence={problem} />
      <Plate kind="main" word="Use these columns" onPress={read} />
      <Plate word="Leave it out" onPress={onLeave} />
    </View>
  );
}
