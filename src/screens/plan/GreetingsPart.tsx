import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Greeting, OfficeIndex, RingPlan } from '@/core/setup';
import { changeGreeting, editPlan, hearGreeting, useAppDispatch } from '@/state/app';
import { Choice, Field, Ticks } from '@/ui/field';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { fetchGreetingSounds } from '../looseEnds/fetchInboxScreens';
import { pickBlob } from '../shared/files';
import { RecordingSeconds, useRecording } from '../shared/useRecording';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.m },
    greeting: { gap: space.s, paddingTop: space.m, borderTopWidth: 1, borderColor: colours.rule },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

const longestSeconds = 120;

function freeGreetingId({ personId, greetings = [] }: RingPlan): string {
  for (let number = greetings.length + 1; ; number++) {
    const id = `${personId}-greeting-${number}`;
    if (!greetings.some((greeting) => greeting.id === id)) return id;
  }
}

/** What my mailbox says, and when. Typed words are spoken by the stand-in voice; recorded ones are my own. */
export function GreetingsPart({ plan, office }: { plan: RingPlan; office: OfficeIndex }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const greetings = plan.greetings ?? [];
  const put = (id: string, change: Partial<Greeting>) => dispatch(changeGreeting(id, change));
  const situations = office.people.get(plan.personId)?.situations ?? [];
  return (
    <View style={styles.part} role="region" aria-label="Greetings">
      <Txt as="heading" level={2}>
        Greetings
      </Txt>
      <Txt as="small">Your mailbox plays the first that fits.</Txt>
      {greetings.map((greeting) => (
        <View key={greeting.id} style={styles.greeting}>
          <Field label="Name" value={greeting.name} onChange={(name) => put(greeting.id, { name })} />
          {greeting.recorded ? null : (
            <Field
              label={`What callers hear: ${greeting.name}`}
              value={greeting.text}
              onChange={(text) => put(greeting.id, { text })}
              lines={5}
            />
          )}
          <OwnVoice greeting={greeting} />
          <Choice
            asStrip
            label="When"
            value={greeting.workingHours === undefined ? 'any' : greeting.workingHours ? 'in' : 'out'}
            options={[
              { value: 'any', word: 'at any hour' },
              { value: 'in', word: 'in working hours' },
              { value: 'out', word: 'outside them' },
            ]}
            onChoose={(hours) =>
              put(greeting.id, { workingHours: hours === 'any' ? undefined : hours === 'in' })
            }
          />
          <Ticks
            label="Situations (none: any)"
            options={situations.map(({ id, name }) => ({ value: id, word: name }))}
            chosen={greeting.situationIds ?? []}
            onChange={(situationIds) => put(greeting.id, { situationIds })}
          />
          <View style={styles.acts}>
            <Plate
              word="Remove it"
              label={`Remove it: ${greeting.name}`}
              onPress={() =>
                dispatch(
                  editPlan((old) => ({
                    ...old,
                    greetings: (old.greetings ?? []).filter(({ id }) => id !== greeting.id),
                  })),
                )
              }
            />
          </View>
        </View>
      ))}
      <Plate
        word="Another greeting"
        onPress={() =>
          dispatch(
            editPlan((old) => ({
              ...old,
              greetings: [
                {
                  id: freeGreetingId(old),
                  name: 'New greeting',
                  text: 'Please leave a message after the tone.',
                },
                ...(old.greetings ?? []),
              ],
            })),
          )
        }
      />
    </View>
  );
}

/** Records the greeting with the microphone, or gives it back to the stand-in voice. */
function OwnVoice({ greeting }: { greeting: Greeting }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const recording = useRecording();
  const [problem, setProblem] = useState<string | null>(null);
  // Before anything is said: what is recorded has to be kept.
  const fetchSounds = () =>
    fetchGreetingSounds().catch(() => {
      setProblem('What keeps a sound has not been fetched, and there is no network now.');
      return null;
    });
  const begin = async () => {
    setProblem(null);
    if (await fetchSounds()) void recording.begin();
  };
  const end = async () => {
    const take = await recording.end();
    const sounds = await fetchSounds();
    if (!sounds) return;
    const isKept = take ? await dispatch(sounds.recordGreeting(greeting.id, take)) : false;
    if (!isKept) setProblem('That was too short to be heard. Speak, then stop.');
  };
  const takeFile = async () => {
    const file = await pickBlob('.wav,audio/wav');
    const sounds = file && (await fetchSounds());
    if (!file || !sounds) return;
    const read = sounds.decodeWav(new Uint8Array(await file.arrayBuffer()));
    if (!read.ok) return setProblem(`${file.name}: ${read.sentence}`);
    if (read.samples.length > longestSeconds * read.sampleRate)
      return setProblem(`A greeting lasts at most ${longestSeconds} s.`);
    const isKept = await dispatch(sounds.recordGreeting(greeting.id, read));
    setProblem(isKept ? null : 'That is too short to be heard.');
  };
  const hear = async () => {
    const isFound = await dispatch(hearGreeting(greeting));
    setProblem(
      isFound ? null : 'Its sound is not on this device. Record it again, or let the voice read it.',
    );
  };
  if (recording.isRecording)
    return (
      <View style={styles.part}>
        <RecordingSeconds words="Say your greeting." />
        <Plate kind="main" word="Stop, and keep it" onPress={() => void end()} />
      </View>
    );
  const { recorded, name } = greeting;
  return (
    <View style={styles.part}>
      {recorded ? <Txt>{`In your own voice, ${recorded.seconds} s.`}</Txt> : null}
      <Problem sentence={problem ?? recording.problem} />
      <View style={styles.acts}>
        <Plate word="Hear it" label={`Hear it: ${name}`} onPress={() => void hear()} />
        <Plate
          word={recorded ? 'Record again' : 'Record it myself'}
          label={`${recorded ? 'Record again' : 'Record it myself'}: ${name}`}
          onPress={() => void begin()}
        />
        <Plate word="Use a WAV file" label={`Use a WAV file: ${name}`} onPress={() => void takeFile()} />
        {recorded ? (
          <Plate
            word="Type it instead"
            label={`Type it instead: ${name}`}
            onPress={() => dispatch(changeGreeting(greeting.id, { recorded: undefined }))}
          />
        ) : null}
      </View>
    </View>
  );
}
