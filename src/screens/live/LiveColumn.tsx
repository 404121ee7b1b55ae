import { Pressable, ScrollView, StyleSheet, View } from 'react-native';

import { formatDuration } from '@/core/shared/time';
import {
  nameOfCall,
  selectIncoming,
  selectMyId,
  selectOffice,
  selectTaken,
  send,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
} from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Gauge } from '@/ui/person';
import { NumberPlate, Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { ElsewhereList } from '../call/ElsewhereList';
import { IncomingBand } from '../incoming/IncomingBand';
import { phaseWord, theyHear } from '../shared/callWords';
import { useGo } from '../shared/useGo';
import { usePresence } from '../shared/usePresence';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    column: { width: 304, borderLeftWidth: 1, borderColor: colours.ink, backgroundColor: colours.paper },
    section: { padding: space.l, gap: space.s },
    card: { flexDirection: 'row', backgroundColor: colours.sheet, borderWidth: 1, borderColor: colours.edge },
    words: { flex: 1, padding: space.m, gap: space.xs, minWidth: 0 },
    top: { flexDirection: 'row', justifyContent: 'space-between', gap: space.s, alignItems: 'baseline' },
    name: { flexShrink: 1 },
    acts: { flexDirection: 'row', gap: space.s, marginTop: space.xs },
    grow: { flex: 1 },
    press: { minHeight: target, justifyContent: 'center' },
    pressed: { backgroundColor: colours.sheet },
    person: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingVertical: space.s,
      borderTopWidth: 1,
      borderColor: colours.rule,
    },
  }),
);

/** The third column of a wide screen: who calls, who is on the line, and what the others are doing. */
export function LiveColumn() {
  const styles = useStyles();
  const go = useGo();
  const { colours } = useTheme();
  const incoming = useAppSelector(selectIncoming);
  const taken = useAppSelector(selectTaken);
  const office = useAppSelector(selectOffice);
  const presenceOf = usePresence();
  const myId = useAppSelector(selectMyId);
  const colleagues = office.setup.people.filter(({ id }) => id !== myId);
  return (
    <View role="complementary" aria-label="Live calls and team" style={styles.column}>
      <ScrollView tabIndex={0}>
        {incoming.map((view) => (
          <IncomingBand key={view.id} view={view} isWhole={incoming.length === 1} />
        ))}
        <View style={styles.section}>
          <Txt as="heading" level={2}>
            On the line
          </Txt>
          {taken.length === 0 ? <Txt colour={colours.faint}>Nobody at the moment.</Txt> : null}
          {taken.map((view) => (
            <LiveCall key={view.id} view={view} />
          ))}
        </View>
        <ElsewhereList />
        <View style={styles.section}>
          <Txt as="heading" level={2}>
            Team
          </Txt>
          {colleagues.length === 0 ? <Txt as="small">Nobody but you yet.</Txt> : null}
          {colleagues.map((person) => {
            const { gauge, full } = presenceOf(person.id);
            return (
              <View key={person.id} style={styles.person}>
                <Gauge state={gauge} />
                <Pressable
                  role="button"
                  onPress={() => go.person(`person:${person.id}`)}
                  style={({ pressed }) => [styles.grow, styles.press, pressed && styles.pressed]}
                >
                  <Txt as="strong" lines={1}>
                    {person.name}
                  </Txt>
                  <Txt as="small" lines={2}>
                    {full}
                  </Txt>
                </Pressable>
                <NumberPlate number={person.extension} />
              </View>
            );
          })}
        </View>
      </ScrollView>
    </View>
  );
}

function LiveCall({ view }: { view: CallView }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const go = useGo();
  const now = useNow();
  const [other] = view.others;
  const name = nameOfCall(view);
  const { legId } = view.me;
  const isHeld = view.phase === 'held';
  return (
    <View style={styles.card}>
      <CordEdge cord={view.line?.cord ?? null} />
      <View style={styles.words}>
        <View style={styles.top}>
          <Txt as="strong" lines={1} style={styles.name}>
            {name}
          </Txt>
          <Txt as="mono">{formatDuration(now - view.since)}</Txt>
        </View>
        <Txt as="small">
          {view.phase === 'talking' || isHeld ? (other ? theyHear(other, view) : '') : phaseWord(view)}
        </Txt>
        <View style={styles.acts}>
          <Plate
            word="Cords"
            label={`Cords of the call with ${name}`}
            onPress={go.call}
            style={styles.grow}
          />
          {isHeld ? (
            <Plate
              word="Talk"
              label={`Talk to ${name}`}
              onPress={() => void dispatch(send({ type: 'retrieve', legId }))}
              style={styles.grow}
            />
          ) : (
            <Plate
              word="Hold"
              label={`Hold the call with ${name}`}
              onPress={() => void dispatch(send({ type: 'hold', legId }))}
              disabled={view.phase !== 'talking'}
              style={styles.grow}
            />
          )}
          <Plate
            kind="end"
            word="End"
            label={`End the call with ${name}`}
            onPress={() => void dispatch(send({ type: 'clear', legId }))}
            style={styles.grow}
          />
        </View>
      </View>
    </View>
  );
}
