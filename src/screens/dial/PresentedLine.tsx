import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { formatAny, presentationChosen, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { CordEdge } from '@/ui/cord';
import { Choice } from '@/ui/field';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

const withhold = 'withhold';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    line: { flexDirection: 'row', minHeight: target, alignItems: 'center' },
    words: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      gap: space.xs,
      paddingHorizontal: space.m,
      flex: 1,
      alignItems: 'baseline',
    },
    change: { paddingHorizontal: space.l },
    chosen: { borderBottomWidth: 2, borderColor: colours.saffron },
  }),
);

/** "From Field service · data call": which number the other side sees. A tap chooses another, or none. */
export function PresentedLine() {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const settings = useAppSelector((state) => state.settings);
  const myId = useAppSelector((state) => state.office.me?.personId ?? '');
  const [isChoosing, setChoosing] = useState(false);
  const usual = office.people.get(myId)?.presentedLineId;
  const line = office.lines.get(settings.presentedLineId ?? usual ?? '');
  const shown = settings.withhold ? 'no number (withheld)' : (line?.name ?? 'the office');
  return (
    <>
      <Pressable role="button" onPress={() => setChoosing(true)} style={styles.line}>
        <CordEdge cord={settings.withhold ? null : (line?.cord ?? null)} />
        <View style={styles.words}>
          <Txt as="small">From</Txt>
          <Txt as="strong" style={styles.chosen}>
            {shown}
          </Txt>
          <Txt as="small" colour={colours.faint}>
            · data call
          </Txt>
        </View>
        <Txt as="small" colour={colours.spruce} style={styles.change}>
          Change
        </Txt>
      </Pressable>
      {isChoosing ? (
        <Sheet title="Which number they see" onClose={() => setChoosing(false)}>
          <Choice
            label="Which number they see"
            value={settings.withhold ? withhold : (line?.id ?? null)}
            options={[
              ...office.setup.lines.map(({ id, name, number }) => ({
                value: id,
                word: name,
                detail: formatAny(number),
              })),
              { value: withhold, word: 'None', detail: 'Your number is withheld' },
            ]}
            onChoose={(value) => {
              dispatch(presentationChosen(value === withhold ? withhold : { lineId: value }));
              setChoosing(false);
            }}
          />
        </Sheet>
      ) : null}
    </>
  );
}
