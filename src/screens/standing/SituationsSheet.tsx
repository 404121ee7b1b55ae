import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Person, RingPlan, Situation } from '@/core/setup';
import { ringsIn, setRingsIn, withoutSituation, withSituationBack } from '@/core/plans/editing';
import {
  changeSituations,
  freeId,
  selectMyId,
  selectOffice,
  selectPlanInForce,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '@/state/app';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { SituationForm, type SituationEntry } from './SituationForm';
import { ringsNow } from './standingWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    stack: { gap: space.m },
    row: { gap: space.s, borderBottomWidth: 1, borderColor: colours.rule, paddingBottom: space.m },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
    grow: { flexGrow: 1 },
  }),
);

/** As it was before a situation was taken out. */
interface TakenOut {
  id: string;
  name: string;
  me: Person;
  plan: RingPlan;
}

/** My situations: which there are, in which order, what colleagues see of each, and what rings in it. */
export function SituationsSheet({ onClose }: { onClose: () => void }) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const me = useAppSelector((state) => selectOffice(state).people.get(selectMyId(state)));
  const plan = useAppSelector(selectPlanInForce);
  const now = useNow(60_000);
  const [open, setOpen] = useState<Situation | 'new' | null>(null);
  const [takenOut, setTakenOut] = useState<TakenOut | null>(null);
  if (!me) return null;
  const situations = me.situations ?? [];
  const lineId = office.setup.lines.find(({ ownerId, urgent }) => ownerId === me.id && !urgent)?.id ?? null;

  const keep = async (entry: SituationEntry) => {
    const isNew = open === 'new' || open === null;
    const id = isNew ? freeId('situation', (each) => situations.some((other) => other.id === each)) : open.id;
    const situation: Situation = {
      id,
      name: entry.name,
      shows: entry.shows,
      ...(entry.leavesTeams && { leavesTeams: true }),
    };
    const next = isNew
      ? [...situations, situation]
      : situations.map((each) => (each.id === id ? situation : each));
    const { rings } = entry;
    const isKept = await dispatch(
      changeSituations(
        { situations: next },
        (each) => (rings === 'rule' ? each : setRingsIn(each, situation, rings, office)),
        isNew ? `${entry.name} is added to your situations.` : `${entry.name} is changed.`,
      ),
    );
    if (isKept) setOpen(null);
  };
  const move = (at: number, by: number) => {
    const next = [...situations];
    const [moved] = next.splice(at, 1);
    if (!moved) return;
    next.splice(at + by, 0, moved);
    void dispatch(changeSituations({ situations: next }, (each) => each, `${moved.name} is moved.`));
  };
  const takeOut = ({ id, name }: Situation) => {
    setTakenOut({ id, name, me, plan });
    const isIn = me.situation?.id === id;
    void dispatch(
      changeSituations(
        {
          situations: situations.filter((each) => each.id !== id),
          follows: (me.follows ?? []).filter(({ situationId }) => situationId !== id),
          ...(isIn && { situation: undefined }),
        },
        (each) => withoutSituation(each, id),
        `${name} is removed.`,
      ),
    );
  };
  const putBack = ({ id, name, me: before, plan: planBefore }: TakenOut) => {
    setTakenOut(null);
    void dispatch(
      changeSituations(
        { situations: before.situations, follows: before.follows, situation: before.situation },
        (each) => withSituationBack(each, planBefore, id),
        `${name} is back.`,
      ),
    );
  };
  if (open !== null)
    return (
      <Sheet title={open === 'new' ? 'A new situation' : open.name} onClose={() => setOpen(null)}>
        <SituationForm
          situation={open === 'new' ? null : open}
          rings={open === 'new' ? { kind: 'plan' } : ringsIn(plan, open.id)}
          devices={office.phonesOf(me.id)}
          isTaken={(name) =>
            situations.some((each) => each !== open && each.name.toLowerCase() === name.toLowerCase())
          }
          onKeep={(entry) => void keep(entry)}
        />
      </Sheet>
    );
  return (
    <Sheet title="Your situations" onClose={onClose}>
      <View style={styles.stack} role="list" aria-label="Your situations">
        {situations.map((each, at) => (
          <View key={each.id} style={styles.row} role="listitem">
            <Txt as="strong">{each.name}</Txt>
            <Txt as="small">{`Then: ${ringsNow(office, me.id, lineId, now, each.id)}`}</Txt>
            <View style={styles.acts}>
              <Plate word="Change" label={`Change ${each.name}`} onPress={() => setOpen(each)} />
              {at === 0 ? null : (
                <Plate word="Up" label={`Up: ${each.name}`} again onPress={() => move(at, -1)} />
              )}
              {at === situations.length - 1 ? null : (
                <Plate word="Down" label={`Down: ${each.name}`} again onPress={() => move(at, 1)} />
              )}
              <Plate word="Remove" label={`Remove ${each.name}`} onPress={() => takeOut(each)} />
            </View>
          </View>
        ))}
      </View>
      {takenOut ? <Plate word={`Undo: ${takenOut.name} back`} onPress={() => putBack(takenOut)} /> : null}
      <Plate kind="main" word="Add a situation" onPress={() => setOpen('new')} />
    </Sheet>
  );
}
