import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { entryWords } from '@/core/setup/changes';
import { formatMoment } from '@/core/shared/time';
import type { SetupEntry } from '@/core/setup/edits';
import { selectOffice, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { goBackBefore, selectRunsOffice, selectSetupLog, undoChange } from '@/state/configuration';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { ListScreen } from '../../shared/ListScreen';
import { useGo } from '../../shared/useGo';
import { Gone } from '../form/Gone';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    entry: {
      gap: space.s,
      padding: space.m,
      borderBottomWidth: 1,
      borderColor: colours.rule,
      backgroundColor: colours.sheet,
    },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    grow: { flex: 1 },
    more: { padding: space.m },
  }),
);

const shownAtOnce = 50;

/** What was changed of the office, by whom and when; each change can be taken back, and so can all since one. */
export function LogScreen() {
  const go = useGo();
  const styles = useStyles();
  const log = useAppSelector(selectSetupLog);
  const runs = useAppSelector(selectRunsOffice);
  const [most, setMost] = useState(shownAtOnce);
  const [backTo, setBackTo] = useState<SetupEntry | null>(null);
  if (!runs) return <Gone what="Only whoever runs the office sees this." />;
  return (
    <ListScreen
      title="Log"
      about="What was changed of the office, by whom and when."
      foot={<Plate word="Office" onPress={go.office} />}
    >
      {log.length === 0 ? (
        <EmptyState
          title="Nothing was changed yet"
          sentence="Every change of people, lines, teams and menus stands here, and can be taken back."
        />
      ) : (
        <View role="list" aria-label="Log">
          {log.slice(0, most).map((entry) => (
            <Entry key={entry.id} entry={entry} onBack={() => setBackTo(entry)} />
          ))}
        </View>
      )}
      {log.length > most ? (
        <View style={styles.more}>
          <Plate word="Show more" onPress={() => setMost(most + shownAtOnce)} />
        </View>
      ) : null}
      {backTo ? <BackSheet entry={backTo} onClose={() => setBackTo(null)} /> : null}
    </ListScreen>
  );
}

function Entry({ entry, onBack }: { entry: SetupEntry; onBack: () => void }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const now = useNow();
  const words = entryWords(entry, office);
  const by = office.ever.people.get(entry.byId)?.name ?? 'Somebody no longer here';
  const moment = formatMoment(entry.at, now, office.setup.zone);
  return (
    <View role="listitem" aria-label={words} style={styles.entry}>
      <View>
        <Txt as="strong">{words}</Txt>
        <Txt as="small">
          {by}, {moment}
          {entry.undoes === null ? '' : ' · taken back'}
        </Txt>
      </View>
      <View style={styles.acts}>
        <Plate
          word="Take it back"
          label={`Take it back: ${words}`}
          onPress={() => void dispatch(undoChange(entry.id, `It is as it was before: ${words}.`))}
        />
        <Plate word="All since" label={`All since: ${words}`} onPress={onBack} />
      </View>
    </View>
  );
}

function BackSheet({ entry, onClose }: { entry: SetupEntry; onClose: () => void }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const now = useNow();
  const log = useAppSelector(selectSetupLog);
  const since = log.filter(({ id }) => Number(id) >= Number(entry.id));
  const moment = formatMoment(entry.at, now, office.setup.zone);
  const goBack = async () => {
    await dispatch(goBackBefore(entry.id, `The office is as it was before ${moment}.`));
    onClose();
  };
  return (
    <Sheet
      title={`As it was before ${moment}`}
      onClose={onClose}
      foot={<Plate kind="main" word="Take it all back" style={styles.grow} onPress={() => void goBack()} />}
    >
      <View>
        <Txt>
          {since.length === 1 ? 'One change is taken back' : `${since.length} changes are taken back`}. That
          can be taken back as well.
        </Txt>
        {since.map((each) => (
          <Txt key={each.id} as="small">
            {entryWords(each, office)}
          </Txt>
        ))}
      </View>
    </Sheet>
  );
}
