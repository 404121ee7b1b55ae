import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { retiring, type Heir, type RetiredTable } from '@/core/setup/changes';
import { selectOffice, useAppSelector } from '@/state/app';
import { Choice } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { ownerChoices } from './fields';
import { useUndoableChange } from './useUndoableChange';

export interface RetireSheetProps {
  table: Exclude<RetiredTable, 'devices'>;
  id: string;
  name: string;
  onClose: () => void;
  onRetired: () => void;
}

/** What is true once they are retired, who has their calls then, and one tap that does it. It can be taken back. */
export function RetireSheet({ table, id, name, onClose, onRetired }: RetireSheetProps) {
  const change = useUndoableChange();
  const { setup } = useAppSelector(selectOffice);
  const [heirId, setHeirId] = useState<string | null>(null);
  const [isAsked, setAsked] = useState(false);
  const hasHeir = table !== 'lines';
  const heir = heirOf(heirId, setup);
  const retire = async () => {
    setAsked(true);
    if (hasHeir && heir === null) return;
    const words = { said: `${name} is retired.`, what: `${name} back`, undone: `${name} is back.` };
    if (await change(retiring(setup, table, id, heir), words)) onRetired();
    else onClose();
  };
  return (
    <Sheet
      title={`Retire ${name}`}
      onClose={onClose}
      foot={<Plate kind="main" word="Retire" style={styles.grow} onPress={() => void retire()} />}
    >
      <View style={styles.body}>
        <Txt>{whatBecomes[table]}</Txt>
        {hasHeir ? (
          <View>
            <Txt as="small">Who has their calls from then on</Txt>
            <Choice
              label="Who has their calls from then on"
              value={heirId}
              options={ownerChoices(setup).filter(({ value }) => value !== id)}
              onChoose={setHeirId}
            />
            {isAsked && heir === null ? <Problem sentence="Say who has their calls from then on." /> : null}
          </View>
        ) : null}
      </View>
    </Sheet>
  );
}

const whatBecomes: Record<RetireSheetProps['table'], string> = {
  people:
    'Their phones ring no more, and what led to them leads to somebody else. A talk they are in goes on until it is ended. What happened stays in the histories.',
  teams: 'Its extension rings nobody any more, and what led to it leads to somebody else. Its members stay.',
  menus: 'Nobody hears it any more, and what led to it leads to somebody else.',
  conferences:
    'It lets nobody in any more; a talk that goes on goes on. What led to it leads to somebody else.',
  lines:
    'Its number reaches nobody any more. Rules that were for it alone go with it, and whoever showed its number shows another.',
};

function heirOf(
  id: string | null,
  { people, teams, menus }: Parameters<typeof ownerChoices>[0],
): Heir | null {
  if (id === null) return null;
  const isIn = (rows: readonly { id: string }[]) => rows.some((row) => row.id === id);
  if (isIn(people)) return { table: 'people', id };
  if (isIn(teams)) return { table: 'teams', id };
  return isIn(menus) ? { table: 'menus', id } : null;
}

const styles = StyleSheet.create({ body: { gap: space.m }, grow: { flex: 1 } });
