import { useState } from 'react';
import { View } from 'react-native';

import { selectOffice, useAppSelector } from '@/state/app';
import { selectRunsOffice } from '@/state/configuration';
import { CordEdge } from '@/ui/cord';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';

import { ListScreen } from '../shared/ListScreen';
import { useGo } from '../shared/useGo';
import { Gone } from './form/Gone';
import { officeParts, type OfficePart } from './parts';

/** From so many rows on there is a field to find one. */
const manyRows = 12;

interface PartListProps {
  part: OfficePart;
  /** Whose form is open beside it. */
  openId: string | null;
}

/** One part of the office: all that there is of it, each opened by a tap, and something new under the thumb. */
export function PartList({ part, openId }: PartListProps) {
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const runs = useAppSelector(selectRunsOffice);
  const [sought, setSought] = useState('');
  const { title, about, newWord, none, rowsOf } = officeParts[part];
  if (!runs) return <Gone what="Only whoever runs the office sees this." />;
  const rows = rowsOf(office);
  const words = sought.trim().toLowerCase();
  const found = rows.filter(({ name, detail }) => `${name} ${detail}`.toLowerCase().includes(words));
  return (
    <ListScreen
      title={title}
      about={about(office.setup)}
      foot={
        <>
          <Plate word="Office" onPress={go.office} />
          {part === 'lines' ? (
            <Plate word="Bring numbers along" onPress={() => go.officePart('port')} />
          ) : null}
          {part === 'people' ? <Plate word="Many at once" onPress={() => go.officePart('many')} /> : null}
          <Plate kind="main" word={newWord} onPress={() => go.officeForm(part, 'new')} />
        </>
      }
    >
      {rows.length > manyRows ? (
        <Field label={`Find among ${title.toLowerCase()}`} value={sought} onChange={setSought} />
      ) : null}
      {found.length === 0 ? (
        <EmptyState
          title={words === '' ? none : 'Nothing found'}
          sentence={words === '' ? '' : 'Try another word.'}
        />
      ) : (
        <View role="list" aria-label={title}>
          {found.map((row) => (
            <View key={row.id} role="listitem" aria-label={row.name}>
              <Row
                title={row.name}
                detail={row.detail}
                isOpen={row.id === openId}
                before={row.cord ? <CordEdge cord={row.cord} width={8} /> : undefined}
                onPress={() => go.officeForm(part, row.id)}
              />
            </View>
          ))}
        </View>
      )}
    </ListScreen>
  );
}
