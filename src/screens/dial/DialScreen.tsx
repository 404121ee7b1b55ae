import { useLocalSearchParams } from 'expo-router';
import { useDeferredValue, useEffect, useState } from 'react';
import { Linking, Platform, ScrollView, StyleSheet, View } from 'react-native';

import { dialTextChanged, selectDialling, useAppDispatch, useAppSelector } from '@/state/app';
import { Field } from '@/ui/field';
import { Keypad } from '@/ui/keypad';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { Columns } from '../shared/Columns';
import type { Finding, FoundPerson } from '../shared/useFound';
import { HelpMark } from '../shared/HelpMark';
import { useGo } from '../shared/useGo';
import { useLayout } from '../shared/useLayout';
import { People } from './People';
import { PresentedLine } from './PresentedLine';
import { useDial } from './useDial';
import { ScreenTitle } from '../shared/ScreenTitle';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    phone: { flex: 1, minHeight: 0 },
    across: { flexDirection: 'row' },
    half: { flex: 1, minWidth: 0, minHeight: 0 },
    keysAcross: { borderLeftWidth: 1, borderColor: colours.ink, justifyContent: 'flex-end' },
    results: { flex: 1, minHeight: 0 },
    resultsEnd: { flexGrow: 1, justifyContent: 'flex-end' },
    resultsTop: { flexGrow: 1 },
    head: { paddingHorizontal: space.l, paddingTop: space.m, paddingBottom: space.s },
    pad: { borderTopWidth: 1, borderColor: colours.ink, backgroundColor: colours.paper },
    padWide: { flex: 1, backgroundColor: colours.paper },
    entry: { paddingHorizontal: space.l, paddingBottom: space.s, gap: space.xs },
    fieldRow: { flexDirection: 'row', gap: space.s, alignItems: 'flex-start' },
    field: { flex: 1 },
    grow: { flex: 1 },
    call: {
      flexDirection: 'row',
      gap: space.m,
      padding: space.m,
      paddingHorizontal: space.l,
      backgroundColor: colours.sheet,
      borderTopWidth: 1,
      borderColor: colours.rule,
    },
    lowCall: { paddingVertical: space.s },
  }),
);

const nobody: FoundPerson[] = [];

/** One field for anything, the line the other side will see, the keys, and who may be meant. */
export function DialScreen() {
  const styles = useStyles();
  const { isWide, isAcross, isShort } = useLayout();
  const dial = useDial();
  const { enterCalls } = useAppSelector(selectDialling);
  const go = useGo();
  useLinkedNumber();
  const isRead = useAppSelector((state) => state.history.isComplete);
  // The keys come first: on a slow phone the lists are drawn once they can be tapped.
  const favourites = useDeferredValue(dial.favourites, nobody);
  const recent = useDeferredValue(dial.recent, nobody);
  const label = dial.isEmpty ? 'Called or calling lately' : 'Who you may mean';
  const results = (
    <ScrollView
      tabIndex={0}
      style={styles.results}
      contentContainerStyle={isWide ? styles.resultsTop : styles.resultsEnd}
      role="region"
      aria-label={dial.isEmpty ? 'Recent' : 'Found'}
    >
      {dial.isEmpty && favourites.length > 0 ? (
        <>
          <View style={styles.head}>
            <Txt as="heading" level={2}>
              Favourites
            </Txt>
          </View>
          <People people={favourites} onCall={dial.callThis} />
        </>
      ) : null}
      <View style={styles.head}>
        <Txt as="heading" level={isWide ? 2 : 1}>
          {label}
        </Txt>
      </View>
      {dial.isEmpty ? (
        <>
          {dial.recent.length === 0 ? (
            isRead ? (
              <EmptyState title="No calls yet" sentence="Whoever you call will appear here." />
            ) : (
              <EmptyState title="Reading" sentence="The latest calls are being read from this device." />
            )
          ) : null}
          <People people={recent} onCall={dial.callThis} />
        </>
      ) : (
        <>
          {dial.found.length === 0 ? <NobodyFound state={dial.state} /> : null}
          <People people={dial.found} onCall={dial.callThis} />
        </>
      )}
    </ScrollView>
  );
  const entry = (
    <>
      <PresentedLine to={dial.goesTo} isBrief={isShort} />
      <View style={styles.entry}>
        <View style={styles.fieldRow}>
          <View style={styles.field}>
            <Field
              label="Number, extension or name"
              hideLabel
              value={dial.text}
              onChange={dial.change}
              onSubmit={() => void (enterCalls && dial.call())}
              placeholder="Number, extension or name"
              error={dial.error}
              numeric={/^[\d+*#(]/.test(dial.text)}
              autoFocus={isWide && Platform.OS === 'web'}
            />
          </View>
          {dial.text === '' ? <HelpMark /> : <Plate again word="Erase" onPress={dial.erase} />}
        </View>
        <View aria-live="polite">
          {isShort && dial.isEmpty ? null : <Txt as="small">{dial.meaning}</Txt>}
        </View>
      </View>
    </>
  );
  const keys = (
    <>
      <Keypad onKey={dial.press} hasPlus isLow={isShort} />
      <View style={[styles.call, isShort && styles.lowCall]}>
        <Plate
          word="Write"
          disabled={dial.writesTo === null}
          onPress={() => dial.writesTo !== null && go.person(dial.writesTo)}
        />
        {dial.isOwnPhoneNeeded ? (
          <Plate
            kind="end"
            style={styles.grow}
            word={`No network here: call ${dial.text} with the phone itself`}
            onPress={() => void Linking.openURL(`tel:${dial.text}`)}
          />
        ) : (
          <Plate
            kind="answer"
            style={styles.grow}
            word={dial.target ? `Call ${dial.target.name}` : 'Call'}
            disabled={!dial.target}
            onPress={() => void dial.call()}
          />
        )}
      </View>
    </>
  );
  if (isWide)
    return (
      <Columns
        list={
          <View style={styles.padWide}>
            <View style={styles.head}>
              <ScreenTitle>Dial</ScreenTitle>
            </View>
            {entry}
            {keys}
          </View>
        }
        detail={results}
        narrow="list"
      />
    );
  if (isAcross)
    return (
      <View style={[styles.phone, styles.across]}>
        <View style={styles.half}>
          {entry}
          {results}
        </View>
        <View style={[styles.half, styles.keysAcross]}>{keys}</View>
      </View>
    );
  return (
    <View style={styles.phone}>
      {results}
      <View style={styles.pad}>
        {entry}
        {keys}
      </View>
    </View>
  );
}

function NobodyFound({ state }: { state: Finding['state'] }) {
  if (state === 'finding') return <EmptyState title="Looking" sentence="Everybody is being searched." />;
  return state === 'away' ? (
    <EmptyState
      title="Names can’t be looked up yet"
      sentence="That part of the app is not here yet. You can still call a number."
    />
  ) : (
    <EmptyState
      title="Nobody found"
      sentence="No colleague or contact goes by that. You can still call a number."
    />
  );
}

/** A link such as /dial?to=tel:+44… fills the field once; nothing is called without a tap. */
function useLinkedNumber() {
  const { to } = useLocalSearchParams<{ to?: string }>();
  const dispatch = useAppDispatch();
  const [taken, setTaken] = useState<string | undefined>();
  useEffect(() => {
    if (to === undefined || to === taken) return;
    setTaken(to);
    dispatch(dialTextChanged(to));
  }, [to, taken, dispatch]);
}
