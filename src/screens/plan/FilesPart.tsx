import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { OfficeIndex, RingPlan } from '@/core/setup';
import { editPlan, useAppDispatch, useServices } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';
import { readPlanFileBeside } from '@/workers/readPlanFileBeside';

import { pickFile, saveFile } from '../shared/files';
import { shownFile, writtenFile, type ReadFile, type SavedKind } from './planFiles';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.m },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    read: { gap: space.s, borderLeftWidth: 6, borderColor: colours.saffron, paddingLeft: space.m },
  }),
);

/** The plan and its hours in open formats, in and out. What comes in is shown before it is taken. */
export function FilesPart({ plan, office }: { plan: RingPlan; office: OfficeIndex }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const { clock } = useServices();
  const [read, setRead] = useState<ReadFile | null>(null);
  const [stopReading, setStopReading] = useState<(() => void) | null>(null);
  const [notes, setNotes] = useState<readonly string[]>([]);

  const open = async () => {
    const file = await pickFile('.cpl,.xml,.ics,.json,text/calendar,application/json,text/xml');
    if (!file) return;
    const task = { file, plan, setup: office.setup, now: clock.now() };
    const stop = readPlanFileBeside(task, (answer) => {
      setStopReading(null);
      setRead(shownFile(answer, plan, office));
    });
    setRead(null);
    setStopReading(() => stop);
  };
  const stopNow = () => {
    stopReading?.();
    setStopReading(null);
  };
  // Whoever goes elsewhere does not wait for it any more.
  useEffect(() => stopReading ?? undefined, [stopReading]);
  const save = (kind: SavedKind) => {
    const { name, type, text, notes: left } = writtenFile(kind, plan, office, clock.now());
    setNotes(left);
    saveFile(name, type, text);
  };
  return (
    <View style={styles.part} role="region" aria-label="Files">
      <Txt as="heading" level={2}>
        Files
      </Txt>
      <Txt as="small">
        Ring plans as CPL (RFC 3880) or JSON, hours and days off as a calendar (iCalendar, RFC 5545).
      </Txt>
      <View style={styles.acts}>
        <Plate word="Bring in a file" kind="main" onPress={() => void open()} />
        <Plate word="Save the plan as CPL" onPress={() => save('cpl')} />
        <Plate word="Save the hours as a calendar" onPress={() => save('ics')} />
        <Plate word="Save the plan as JSON" onPress={() => save('json')} />
        <Plate word="Save the office as JSON" onPress={() => save('office')} />
      </View>
      {notes.length > 0 ? (
        <View role="status">
          <Txt as="strong">Saved, except for what CPL has no word for:</Txt>
          {notes.map((note) => (
            <Txt key={note} as="small">
              {note}
            </Txt>
          ))}
        </View>
      ) : null}
      {stopReading ? (
        <View style={styles.read} role="status">
          <Txt>The file is being read.</Txt>
          <Plate word="Stop" label="Stop reading the file" onPress={stopNow} />
        </View>
      ) : null}
      {read === null ? null : (
        <View style={styles.read} role="region" aria-label="What the file holds">
          <Txt as="strong" colour={read.change ? colours.ink : colours.rowan}>
            {read.sentence}
          </Txt>
          {read.lines.map((line) => (
            <Txt key={line} as="small">
              {line}
            </Txt>
          ))}
          <View style={styles.acts}>
            {read.change ? (
              <Plate
                word="Use it in my plan"
                kind="main"
                onPress={() => {
                  if (read.change) dispatch(editPlan(read.change));
                  setRead(null);
                }}
              />
            ) : null}
            <Plate word="Don’t use it" onPress={() => setRead(null)} />
          </View>
        </View>
      )}
    </View>
  );
}
