import { StyleSheet, View } from 'react-native';

import { selectFailedFaxes, selectUnreadFaxes, useAppSelector } from '@/state/app';
import { isServed } from '@/state/offices';
import { Row } from '@/ui/list';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { faxesWords } from '../fax/faxesWords';
import { useGo } from '../shared/useGo';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    section: { gap: space.s },
    list: { borderTopWidth: 1, borderColor: colours.ink },
  }),
);

/** What has a place of its own beside the five, each with what is found there. */
export function PlacesList() {
  const styles = useStyles();
  const go = useGo();
  const unread = useAppSelector(selectUnreadFaxes);
  const failed = useAppSelector(selectFailedFaxes);
  const places = [
    ['Ready to go', 'PIN, greeting, sound: how each stands', go.ready],
    [
      'Faxes',
      unread + failed === 0
        ? 'Those that came to your lines, and those you send'
        : faxesWords(unread, failed),
      go.faxes,
    ],
    ['Where help is sent', 'What an emergency call tells of where your phones are', go.place],
    ['PIN and devices', 'What lets you in, where you are signed in, and how to leave', go.devices],
    ['Told elsewhere', 'Missed calls, voicemails and texts by mail, and to other programs', go.telling],
    ...(isServed()
      ? []
      : [
          [
            'Everything in one file',
            'Save all that is on this device, or bring it back',
            go.archive,
          ] as const,
        ]),
    ['All that can be chosen', 'In one list, to be looked through by a word', go.settings],
  ] as const;
  return (
    <View style={styles.section}>
      <Txt as="heading" level={2}>
        More places
      </Txt>
      <View role="list" style={styles.list}>
        {places.map(([title, detail, open]) => (
          <View key={title} role="listitem">
            <Row title={title} detail={detail} onPress={open} />
          </View>
        ))}
      </View>
    </View>
  );
}
