import { StyleSheet, View } from 'react-native';

import { addressWords, deviceName, oldPlaceMs } from '@/core/setup';
import { formatMoment } from '@/core/shared/time';
import { selectMyId, selectOffice, selectZone, useAppSelector, useNow } from '@/state/app';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    part: { gap: space.s },
    line: { paddingVertical: space.s, borderBottomWidth: 1, borderColor: colours.rule },
  }),
);

/** For whoever runs the office: which phones that are carried about have said where they are, and whose word is old. */
export function EverybodysPhones() {
  const styles = useStyles();
  const { colours } = useTheme();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const zone = useAppSelector(selectZone);
  const now = useNow(60_000);
  const carried = office.setup.people
    .flatMap(({ id }) => office.devicesOf(id))
    .filter(({ kind }) => kind === 'app' || kind === 'mobile');
  const inOrder = [...carried].sort((a, b) => (a.place?.at ?? 0) - (b.place?.at ?? 0));
  const unsaid = carried.filter(({ place }) => place === undefined).length;
  const old = carried.filter(({ place }) => place && now - place.at > oldPlaceMs).length;
  return (
    <View style={styles.part} role="region" aria-label="Everybody’s phones">
      <Txt as="heading" level={2}>
        Everybody’s phones
      </Txt>
      <Txt colour={colours.faint}>
        {unsaid + old === 0
          ? 'All that are carried about have said where they are.'
          : `Of ${carried.length} that are carried about ${unsaid} have not said where they are, and ${old} not for half a year.`}
      </Txt>
      <View role="list">
        {inOrder.map(({ id, place }) => (
          <View key={id} role="listitem" style={styles.line}>
            <Txt as="strong">{deviceName(id, office, myId)}</Txt>
            <Txt as="small">
              {place
                ? `${addressWords(place)}, said ${formatMoment(place.at, now, zone)}${now - place.at > oldPlaceMs ? ': old' : ''}`
                : 'not said'}
            </Txt>
          </View>
        ))}
      </View>
    </View>
  );
}
