import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { interpretDialled, isExternal, ukOfficePlan } from '@/core/numbering';
import type { OfficeIndex, RingTarget } from '@/core/office';
import { describeRate, rateFor } from '@/core/rates';
import { explainNotDialable } from '@/state/app';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

interface AddTargetSheetProps {
  office: OfficeIndex;
  personId: string;
  onClose: () => void;
  onChoose: (target: RingTarget) => void;
}

/** What else could ring: my devices, colleagues, teams, or a number. */
export function AddTargetSheet({ office, personId, onClose, onChoose }: AddTargetSheetProps) {
  const [number, setNumber] = useState('');
  const [error, setError] = useState<string | null>(null);
  const take = (target: RingTarget) => {
    onChoose(target);
    onClose();
  };
  const takeNumber = () => {
    const dialled = interpretDialled(number, ukOfficePlan);
    if (dialled.kind === 'invalid') setError(explainNotDialable(dialled.reason));
    else if (!isExternal(dialled)) setError('That is not a number outside the office that can ring.');
    // Nobody knows whose mailbox might lift a number outside, so a key takes the call there.
    else take({ number: dialled.e164, startSeconds: 0, acceptKey: true });
  };
  const typed = interpretDialled(number, ukOfficePlan);
  return (
    <Sheet title="Ring something else too" onClose={onClose}>
      <View style={styles.stack}>
        <Txt as="small">Yours</Txt>
        {office.devicesOf(personId).map(({ id, name, kind, ownMailboxSeconds }) => (
          <Row
            key={id}
            title={kind === 'app' ? 'This app' : name.charAt(0).toUpperCase() + name.slice(1)}
            detail={
              ownMailboxSeconds === undefined
                ? kind
                : `${kind}, its own mailbox answers after ${ownMailboxSeconds} s`
            }
            onPress={() =>
              take({ deviceId: id, startSeconds: 0, ...(kind === 'mobile' && { acceptKey: true }) })
            }
          />
        ))}
        <Txt as="small">Colleagues and teams</Txt>
        {office.setup.people
          .filter(({ id }) => id !== personId)
          .map(({ id, name, role, extension }) => (
            <Row
              key={id}
              title={name}
              detail={`${extension} · ${role}`}
              before={<Initials name={name} />}
              onPress={() => take({ personId: id, startSeconds: 0 })}
            />
          ))}
        {office.setup.teams.map(({ id, name, extension }) => (
          <Row
            key={id}
            title={name}
            detail={`${extension} · team, all together`}
            onPress={() => take({ teamId: id, startSeconds: 0 })}
          />
        ))}
        <Field
          label="A number outside"
          value={number}
          onChange={(text) => {
            setNumber(text);
            setError(null);
          }}
          onSubmit={takeNumber}
          numeric
          error={error}
        />
        {isExternal(typed) ? (
          <Txt as="small">
            {`${describeRate(rateFor(office.setup.rates, typed.e164), office.setup.rates.currency)}; a key takes the call there.`}
          </Txt>
        ) : null}
        <Plate word="Ring that number" onPress={takeNumber} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.s } });
