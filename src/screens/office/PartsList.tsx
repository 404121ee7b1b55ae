import { StyleSheet, View } from 'react-native';

import type { Finding } from '@/core/plans/checks';
import { deviceName, nameOf, type OfficeIndex, type OfficeSetup } from '@/core/setup';
import { selectOffice, useAppSelector } from '@/state/app';
import { selectSetupLog } from '@/state/configuration';
import { Row } from '@/ui/list';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { useFindings } from './findings/useFindings';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    list: { borderTopWidth: 1, borderColor: colours.ink },
    section: { gap: space.s },
  }),
);

const named = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;

/** "9 people on 5 lines, in 2 teams." */
export function sizeWords({ people, lines, teams }: OfficeSetup): string {
  const inTeams = teams.length === 0 ? '' : `, in ${named(teams.length, 'team', 'teams')}`;
  return `${named(people.length, 'person', 'people')} on ${named(lines.length, 'line', 'lines')}${inTeams}.`;
}

const mostNamed = 4;
const someOf = (names: readonly string[]) =>
  names.slice(0, mostNamed).join(', ') +
  (names.length > mostNamed ? ` and ${names.length - mostNamed} more` : '');

/** What the office consists of, each a place of its own. */
export function PartsList() {
  const styles = useStyles();
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const changes = useAppSelector((state) => selectSetupLog(state).length);
  const { people, lines, teams, menus, conferences, devices } = office.setup;
  const { problems, lost, looked } = useFindings();
  const wrong = problems[0]?.sentence ?? lostWords(lost, office) ?? lookedWords[looked];
  const rooms = devices.filter(({ personId }) => personId === null).map(({ id }) => deviceName(id, office));
  const firstNames = people.map(({ name }) => name.split(' ')[0] ?? name);
  return (
    <View style={styles.section} role="region" aria-label="The office">
      <View style={styles.list} role="list">
        {/* One line, whatever is found: what comes later must move nothing that is about to be tapped. */}
        <Part
          title="What is wrong"
          detail={wrong}
          detailLines={1}
          onPress={() => go.officePart('findings')}
        />
        <Part title="People" detail={someOf(firstNames)} onPress={() => go.officePart('people')} />
        <Part
          title="Lines"
          detail={someOf(lines.map(({ name }) => name)) || 'None yet'}
          onPress={() => go.officePart('lines')}
        />
        <Part
          title="Teams"
          detail={someOf(teams.map(({ name }) => name)) || 'None yet'}
          onPress={() => go.officePart('teams')}
        />
        <Part
          title="Menus"
          detail={someOf(menus.map(({ name }) => name)) || 'None yet'}
          onPress={() => go.officePart('menus')}
        />
        <Part
          title="Conferences"
          detail={someOf(conferences.map(({ name }) => name)) || 'None yet'}
          onPress={() => go.officePart('conferences')}
        />
        <Part
          title="Route"
          detail="From each number to where its calls end, with how many went which way; and any call tried"
          onPress={() => go.officePart('route')}
        />
        <Part
          title="Figures"
          detail="What was taken and what was not, how long callers waited, how many people it wants"
          onPress={() => go.officePart('figures')}
        />
        <Part
          title="Rules of the house"
          detail="Numbers that may be called and shown, how long somebody waits"
          onPress={() => go.officePart('rules')}
        />
        <Part
          title="Log"
          detail={changes === 0 ? 'Nothing was changed yet' : named(changes, 'change', 'changes')}
          onPress={() => go.officePart('log')}
        />
      </View>
      {rooms.length === 0 ? null : <Txt as="small">Phones of rooms: {rooms.join(', ')}.</Txt>}
    </View>
  );
}

const lookedWords = { notYet: 'Being looked at', done: 'Nothing', cannot: 'Calls can’t be looked at now' };

/** The first of them, by whose plan it is; null where there is none. */
function lostWords([first]: readonly Finding[], office: OfficeIndex): string | null {
  return first ? `${nameOf(first.personId, office)}: ${first.sentence}` : null;
}

function Part(props: { title: string; detail: string; detailLines?: number; onPress: () => void }) {
  return (
    <View role="listitem" aria-label={props.title}>
      <Row {...props} />
    </View>
  );
}
