import { useState } from 'react';
import { View } from 'react-native';

import type { Device, Situation } from '@/core/setup';
import type { RingsIn } from '@/core/plans/editing';
import { Choice, Field, Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

export interface SituationEntry {
  name: string;
  shows: Situation['shows'];
  leavesTeams: boolean;
  /** Which phones; null: as my plan says; "rule": its own rule stays as it is. */
  rings: readonly string[] | null | 'rule';
}

interface SituationFormProps {
  /** null for a new one. */
  situation: Situation | null;
  rings: RingsIn;
  /** My own. */
  devices: readonly Device[];
  isTaken: (name: string) => boolean;
  onKeep: (entry: SituationEntry) => void;
}

/** A situation's name, what colleagues see of it, and what rings meanwhile. */
export function SituationForm({ situation, rings, devices, isTaken, onKeep }: SituationFormProps) {
  const [name, setName] = useState(situation?.name ?? '');
  const [shows, setShows] = useState<Situation['shows']>(situation?.shows ?? 'free');
  const [leavesTeams, setLeavesTeams] = useState(situation?.leavesTeams ?? false);
  const [by, setBy] = useState<RingsIn['kind']>(rings.kind);
  const [deviceIds, setDeviceIds] = useState<readonly string[]>(
    rings.kind === 'devices' ? rings.deviceIds : devices.map(({ id }) => id),
  );
  const [error, setError] = useState<string | null>(null);
  const keep = () => {
    const typed = name.trim();
    if (typed === '') return setError('Give it a name, such as At the bench.');
    if (isTaken(typed)) return setError('You have a situation of that name.');
    onKeep({
      name: typed,
      shows,
      leavesTeams,
      rings: by === 'rule' ? 'rule' : by === 'plan' ? null : deviceIds,
    });
  };
  return (
    <View style={{ gap: space.m }}>
      <Field
        label="Name"
        value={name}
        onChange={(next) => {
          setName(next);
          setError(null);
        }}
        error={error}
        onSubmit={keep}
      />
      <Choice
        asStrip
        label="Colleagues see you"
        value={shows}
        options={[
          { value: 'free', word: 'free' },
          { value: 'away', word: 'away' },
          { value: 'off', word: 'off' },
        ]}
        onChoose={setShows}
      />
      <Ticks
        label="Teams"
        options={[{ value: 'leaves', word: 'Calls to your teams pass you by' }]}
        chosen={leavesTeams ? ['leaves'] : []}
        onChange={(chosen) => setLeavesTeams(chosen.length > 0)}
      />
      <Choice
        asStrip
        label="What rings"
        value={by}
        options={[
          ...(rings.kind === 'rule' ? [{ value: 'rule' as const, word: `rule “${rings.name}”` }] : []),
          { value: 'plan', word: 'what the other rules say' },
          { value: 'devices', word: 'only these phones' },
        ]}
        onChoose={setBy}
      />
      {by === 'devices' ? (
        <>
          <Ticks
            label="Phones that ring"
            options={devices.map((device) => ({
              value: device.id,
              word: device.kind === 'app' ? 'this app' : device.name,
            }))}
            chosen={deviceIds}
            onChange={(chosen) => setDeviceIds(chosen)}
          />
          <Txt as="small">
            {deviceIds.length === 0
              ? 'Nothing rings: callers go to your mailbox at once. Urgent lines still ring by their own rule.'
              : 'They ring 25 s, then callers go to your mailbox. The ring plan has the seconds.'}
          </Txt>
        </>
      ) : null}
      <Plate kind="main" word="Keep it" onPress={keep} />
    </View>
  );
}
