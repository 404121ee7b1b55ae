import { Pressable, ScrollView, StyleSheet, View } from 'react-native';

import { selectMyId, selectOffice, selectRingingAtColleagues, useAppSelector } from '@/state/app';
import { Gauge } from '@/ui/person';
import { Txt } from '@/ui/text';
import { corner, space, target, themed, useTheme } from '@/ui/tokens';

import { usePresence } from '../shared/usePresence';
import { PickUp } from './PickUp';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    teams: { paddingVertical: space.s, gap: space.s },
    head: { paddingHorizontal: space.l },
    strip: { paddingHorizontal: space.l, gap: space.s },
    ringing: {
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingHorizontal: space.l,
      paddingTop: space.s,
    },
    grow: { flex: 1, minWidth: 0 },
    member: {
      minHeight: target,
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.xs,
      paddingHorizontal: space.s,
      borderWidth: 1,
      borderRadius: corner,
      borderColor: colours.edge,
      backgroundColor: colours.sheet,
    },
  }),
);

/** Who of my teams can be reached now, in one look: a gauge and a first name each. */
export function TeamGlance({ onOpen }: { onOpen: (key: string) => void }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const presenceOf = usePresence();
  const ringing = useAppSelector(selectRingingAtColleagues);
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const teams = office.setup.teams.filter(({ memberIds }) => memberIds.includes(myId));
  if (teams.length === 0) return null;
  return (
    <View style={styles.teams} role="region" aria-label="My teams">
      {teams.map(({ id, name, extension, memberIds }) => {
        const others = memberIds.filter((memberId) => memberId !== myId);
        const free = others.filter((memberId) => presenceOf(memberId).gauge === 'free').length;
        const onCalls = others.filter((memberId) => presenceOf(memberId).gauge === 'onCall').length;
        const atMembers = ringing.filter(({ colleagueId }) => memberIds.includes(colleagueId));
        return (
          <View key={id} role="group" aria-label={name}>
            <View style={styles.head}>
              <Txt as="small">{`${name} ${extension}: ${free} of ${others.length} free${onCalls > 0 ? `, ${onCalls} on a call` : ''}`}</Txt>
            </View>
            <ScrollView horizontal contentContainerStyle={styles.strip}>
              {others.map((memberId) => {
                const member = office.people.get(memberId);
                const { gauge, word } = presenceOf(memberId);
                return member ? (
                  <Pressable
                    key={memberId}
                    role="button"
                    onPress={() => onOpen(`person:${memberId}`)}
                    style={({ pressed }) => [styles.member, pressed && { borderColor: colours.saffron }]}
                  >
                    <Gauge state={gauge} />
                    <View>
                      <Txt as="strong">{member.name.split(' ')[0]}</Txt>
                      <Txt as="small">{word}</Txt>
                    </View>
                  </Pressable>
                ) : null;
              })}
            </ScrollView>
            {atMembers.map((each) => (
              <View key={each.legId} style={styles.ringing}>
                <Txt as="strong" style={styles.grow} lines={2}>
                  {`${each.callerName} rings at ${each.colleagueName}`}
                </Txt>
                <PickUp ringing={each} />
              </View>
            ))}
          </View>
        );
      })}
    </View>
  );
}
