import { StyleSheet, View } from 'react-native';

import type { OfficeIndex, RingTarget } from '@/core/setup';
import { Row } from '@/ui/list';
import { Initials } from '@/ui/person';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { outsideNumber } from '../shared/numbers';
import { NumberEntry } from './NumberEntry';

interface AddTargetSheetProps {
  title: string;
  office: OfficeIndex;
  personId: string;
  onClose: () => void;
  onChoose: (target: RingTarget) => void;
}

/** What else could ring: my devices, colleagues, teams, or a number. */
export function AddTargetSheet({ title, office, personId, onClose, onChoose }: AddTargetSheetProps) {
  const take = (target: RingTarget) => {
    onChoose(target);
    onClose();
  };
  return (
    <Sheet title={title} onClose={onClose}>
      <View style={styles.stack}>
        <Txt as="small">Yours</Txt>
        {office.phonesOf(personId).map(({ id, name, kind, ownMailboxSeconds }) => (
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
        {/* Nobody knows whose mailbox might lift a number outside, so a key takes the call there. */}
        <NumberEntry
          label="A number outside"
          word="Ring that number"
          read={(text) => outsideNumber(text, office.plan)}
          onTake={(number) => take({ number, startSeconds: 0, acceptKey: true })}
        />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ stack: { gap: space.s } });
