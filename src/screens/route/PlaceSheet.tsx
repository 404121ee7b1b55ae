import { StyleSheet, View } from 'react-native';

import { isEnd, type Place, type Through } from '@/core/calls/figures';
import type { Route, RouteNode } from '@/core/calls/route';
import type { Finding } from '@/core/plans/checks';
import type { OfficeProblem } from '@/core/setup/changes';
import { selectMyId, selectOffice, useAppSelector } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { OfOffice, OfPlan } from '../office/findings/MendableFinding';
import { useGo } from '../shared/useGo';
import { detailOfPlace, nameOfPlace, reachWords } from './routeWords';

interface PlaceSheetProps {
  node: RouteNode;
  route: Route;
  problems: readonly OfficeProblem[];
  lost: readonly Finding[];
  /** The calls of a place, and their title. */
  onCalls: (place: Place, title: string) => void;
  onClose: () => void;
}

/** One place of the route: where calls go on from it, what is wrong there, and the ways to change it and to its calls. */
export function PlaceSheet({ node, route, problems, lost, onCalls, onClose }: PlaceSheetProps) {
  const go = useGo();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const { place } = node;
  if (isEnd(place)) return null;
  const name = nameOfPlace(place, office);
  const out = route.reaches.filter(({ from }) => from === node.key).sort((a, b) => b.calls - a.calls);
  const isHere = isThere(place, office.setup);
  const change = () => {
    onClose();
    if (formOf(place) === 'people' && place.id === myId) go.plan();
    else go.officeForm(formOf(place), place.id);
  };
  return (
    <Sheet title={name} onClose={onClose}>
      <View style={styles.stack}>
        <Txt as="small">{`${detailOfPlace(place, office)} · ${node.calls === 1 ? '1 call' : `${node.calls} calls`} came here`}</Txt>
        {problems.map((problem) => (
          <OfOffice key={`${problem.field} ${problem.sentence}`} problem={problem} />
        ))}
        {lost.map((finding) => (
          <OfPlan key={finding.sentence} finding={finding} />
        ))}
        <View role="list" aria-label={`From ${name}`}>
          {out.map((reach) => {
            const to = route.nodes.find(({ key }) => key === reach.to);
            const words = reachWords(reach, route, office);
            return (
              <View key={reach.to} role="listitem" style={styles.reach}>
                <Txt style={styles.words}>{words}</Txt>
                {to && isEnd(to.place) && to.place.kind !== 'circle' && reach.calls > 0 ? (
                  <Plate
                    word="See them"
                    label={`See them: ${words}`}
                    onPress={() => onCalls(to.place, `${name}: ${nameOfPlace(to.place, office)}`)}
                  />
                ) : null}
              </View>
            );
          })}
        </View>
        <View style={styles.plates}>
          {isHere ? <Plate kind="main" word={changeWords[place.kind]} onPress={change} /> : null}
          {node.calls === 0 ? null : <Plate word="See all its calls" onPress={() => onCalls(place, name)} />}
        </View>
      </View>
    </Sheet>
  );
}

const changeWords = {
  line: 'Change the line',
  hours: 'Change the hours',
  team: 'Change the team',
  menu: 'Change the menu',
  conference: 'Change the conference',
  person: 'Change what rings',
  extension: 'Change what rings',
};

function formOf({ kind }: Through): 'lines' | 'teams' | 'menus' | 'conferences' | 'people' {
  switch (kind) {
    case 'line':
      return 'lines';
    case 'menu':
      return 'menus';
    case 'conference':
      return 'conferences';
    case 'person':
    case 'extension':
      return 'people';
    default:
      return 'teams';
  }
}

/** Whether the office has it still. */
function isThere(
  place: Through,
  setup: Record<ReturnType<typeof formOf>, readonly { id: string }[]>,
): boolean {
  return setup[formOf(place)].some(({ id }) => id === place.id);
}

const styles = StyleSheet.create({
  stack: { gap: space.m },
  reach: { flexDirection: 'row', alignItems: 'center', gap: space.m, paddingVertical: space.xs },
  words: { flex: 1 },
  plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
