import { StyleSheet, View } from 'react-native';
import Svg, { Line, Rect, Text as SvgText } from 'react-native-svg';

import { byHour, sumsOf } from '@/core/calls/historyTable';
import { formatMoney } from '@/core/numbers/rates';
import { formatDuration } from '@/core/shared/time';
import { selectOffice, selectZone, soughtChanged, useAppDispatch, useAppSelector } from '@/state/app';
import type { Person, TimelineItem } from '@/state/inbox';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { fonts, space, themed, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    stack: { gap: space.m },
    figure: {
      flexDirection: 'row',
      justifyContent: 'space-between',
      paddingVertical: space.xs,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
  }),
);

interface FiguresSheetProps {
  person: Person;
  items: readonly TimelineItem[];
  onClose: () => void;
}

/** What there was with one person, in figures, and the hours in which they call. */
export function FiguresSheet({ person, items, onClose }: FiguresSheetProps) {
  const styles = useStyles();
  const go = useGo();
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const office = useAppSelector(selectOffice);
  const records = items.flatMap((item) => (item.kind === 'call' ? [item.record] : []));
  const sums = sumsOf(records);
  const texts = items.filter(({ kind }) => kind === 'message').length;
  const faxes = items.filter(({ kind }) => kind === 'fax').length;
  const figures: [string, string][] = [
    ['Calls from them', String(sums.incoming)],
    ['of these not taken', String(sums.untaken)],
    ['Calls to them', String(sums.outgoing)],
    ['Talked', formatDuration(sums.talkMs)],
    ['Voicemails', String(sums.voicemails)],
    ['Texts and messages', String(texts)],
    ...(faxes === 0 ? [] : ([['Faxes', String(faxes)]] as [string, string][])),
    ['Cost', formatMoney(sums.costMicros, office.setup.rates.currency)],
  ];
  const seeCalls = () => {
    const [colleague] = person.key.startsWith('person:') ? [person.key.slice('person:'.length)] : [];
    const filter =
      colleague === undefined
        ? { numbers: person.ways.map(({ number }) => number) }
        : { personIds: [colleague] };
    dispatch(soughtChanged({ words: '', filter, who: person.name }));
    onClose();
    go.everything();
  };
  return (
    <Sheet title={`${person.name} in figures`} onClose={onClose}>
      <View style={styles.stack}>
        <View role="list" aria-label="Figures">
          {figures.map(([word, figure]) => (
            <View key={word} role="listitem" style={styles.figure}>
              <Txt>{word}</Txt>
              <Txt as="mono">{figure}</Txt>
            </View>
          ))}
        </View>
        {sums.incoming === 0 ? null : <HourBars hours={byHour(records, zone)} />}
        <Plate word="See only their calls" disabled={records.length === 0} onPress={seeCalls} />
      </View>
    </Sheet>
  );
}

const chart = { width: 320, height: 96, foot: 18 };
const labelled = [0, 6, 12, 18];

/** The hours of the day, and in which of them they called: filled where it was taken, open where it was not. */
function HourBars({ hours }: { hours: ReturnType<typeof byHour> }) {
  const { colours } = useTheme();
  const most = Math.max(1, ...hours.map(({ incoming }) => incoming));
  const step = chart.width / hours.length;
  const ground = chart.height - chart.foot;
  const heightOf = (calls: number) => (calls / most) * (ground - 4);
  const busiest = hours.findIndex(({ incoming }) => incoming === most);
  return (
    <View>
      <Txt as="small">{`Most often between ${busiest} and ${busiest + 1} o’clock. Open: not taken.`}</Txt>
      <Svg width="100%" height={chart.height} viewBox={`0 0 ${chart.width} ${chart.height}`} aria-hidden>
        <Line x1={0} x2={chart.width} y1={ground} y2={ground} stroke={colours.ink} strokeWidth={1} />
        {hours.map(({ incoming, untaken }, hour) => {
          const taken = heightOf(incoming - untaken);
          const open = heightOf(untaken);
          const x = hour * step + 2;
          return incoming === 0
            ? null
            : [
                <Rect
                  key={`t${hour}`}
                  x={x}
                  y={ground - taken}
                  width={step - 4}
                  height={taken}
                  fill={colours.spruce}
                />,
                <Rect
                  key={`o${hour}`}
                  x={x}
                  y={ground - taken - open}
                  width={step - 4}
                  height={open}
                  fill="none"
                  stroke={colours.rowan}
                  strokeWidth={1.5}
                />,
              ];
        })}
        {labelled.map((hour) => (
          <SvgText
            key={hour}
            x={hour * step + 1}
            y={chart.height - 4}
            fontSize={11}
            fontFamily={fonts.mono}
            fill={colours.faint}
          >
            {String(hour)}
          </SvgText>
        ))}
      </Svg>
    </View>
  );
}
