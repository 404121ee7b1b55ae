import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Finish, OfficeIndex, RingRule } from '@/core/setup';
import { edits, finishWords } from '@/core/plans/editing';
import { editPlan, useAppDispatch } from '@/state/app';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { forwardableNumber, forwardTo } from '../shared/numbers';
import { NumberEntry } from './NumberEntry';

const outcomes = [
  { value: 'finish', word: 'when nobody answers' },
  { value: 'busyFinish', word: 'when all of it is busy' },
  { value: 'unreachableFinish', word: 'when nothing is signed in' },
  { value: 'refusedFinish', word: 'when it is refused' },
] as const;
type Outcome = (typeof outcomes)[number]['value'];

interface FinishLineProps {
  rule: RingRule;
  office: OfficeIndex;
  personId: string;
  atSeconds: number;
}

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    lines: { borderTopWidth: 3, borderColor: colours.ink, paddingTop: space.s, gap: space.s },
    row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
    words: { flex: 1, minWidth: 0 },
    stack: { gap: space.s },
  }),
);

/** Where the rule's calls end, at which second, for each outcome that is told apart. */
export function FinishLine({ rule, office, personId, atSeconds }: FinishLineProps) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const [isMore, setMore] = useState(false);
  const [open, setOpen] = useState<Outcome | null>(null);
  const shown = outcomes.filter(({ value }) => value === 'finish' || isMore || rule[value]);
  return (
    <View style={styles.lines} role="group" aria-label="Finish">
      {shown.map(({ value, word }) => (
        <View key={value} style={styles.row}>
          <View style={styles.words}>
            <Txt as="strong">{capital(finishWords(rule[value] ?? rule.finish, office, personId))}</Txt>
            <Txt as="small">{`${value === 'finish' ? `at second ${atSeconds}, ` : ''}${word}`}</Txt>
          </View>
          <Plate word="Change" label={`Change the finish ${word}`} onPress={() => setOpen(value)} />
        </View>
      ))}
      {isMore ? null : (
        <Plate word="Another finish when busy, refused or away" onPress={() => setMore(true)} />
      )}
      {open === null ? null : (
        <FinishSheet
          office={office}
          personId={personId}
          isSpecial={open !== 'finish'}
          onClose={() => setOpen(null)}
          onChoose={(finish) => dispatch(editPlan((plan) => edits.setFinish(plan, rule.id, open, finish)))}
        />
      )}
    </View>
  );
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

interface FinishSheetProps {
  office: OfficeIndex;
  personId: string;
  /** Whether it may be left to the rule's finish. */
  isSpecial: boolean;
  onClose: () => void;
  onChoose: (finish: Finish | undefined) => void;
}

/** The caller is texted instead of answered. */
function TextBackEntry({ office, onTake }: { office: OfficeIndex; onTake: (finish: Finish) => void }) {
  const styles = useStyles();
  const [text, setText] = useState('I can’t answer now. Text me here, or I call back today.');
  const [error, setError] = useState<string | null>(null);
  const lines = office.setup.lines.filter(({ texts }) => texts);
  return (
    <View style={styles.stack}>
      {lines.length === 0 ? null : (
        <Field
          label="A text back"
          value={text}
          onChange={(typed) => {
            setText(typed);
            setError(null);
          }}
          error={error}
          lines={2}
        />
      )}
      {lines.map(({ id, name }) => (
        <Plate
          key={id}
          word={`Text it from ${name}`}
          onPress={() =>
            text.trim() === ''
              ? setError('Write what they are to read.')
              : onTake({ kind: 'textBack', lineId: id, text: text.trim() })
          }
        />
      ))}
    </View>
  );
}

/** A mailbox, somebody else, a team, a menu, a text, a number, or busy tone. */
function FinishSheet({ office, personId, isSpecial, onClose, onChoose }: FinishSheetProps) {
  const styles = useStyles();
  const take = (finish: Finish | undefined) => {
    onChoose(finish);
    onClose();
  };
  return (
    <Sheet title="Where the call ends" onClose={onClose}>
      <View style={styles.stack}>
        {isSpecial ? <Row title="The same as when nobody answers" onPress={() => take(undefined)} /> : null}
        <Row title="Your mailbox" onPress={() => take({ kind: 'mailbox', personId })} />
        <Row title="Busy tone" onPress={() => take({ kind: 'busy' })} />
        {office.setup.people
          .filter(({ id }) => id !== personId)
          .map(({ id, name, extension }) => (
            <Row
              key={id}
              title={`On to ${name}`}
              detail={`${extension}, by their own plan`}
              onPress={() => take({ kind: 'forward', to: extension })}
            />
          ))}
        {office.setup.teams.map(({ id, name, extension }) => (
          <Row
            key={id}
            title={`On to the team ${name}`}
            detail={extension}
            onPress={() => take({ kind: 'forward', to: extension })}
          />
        ))}
        {office.setup.menus.map(({ id, name, extension }) => (
          <Row
            key={id}
            title={`On to ${name}`}
            detail={`${extension}, a menu`}
            onPress={() => take({ kind: 'forward', to: extension })}
          />
        ))}
        <TextBackEntry office={office} onTake={take} />
        <NumberEntry
          label="A number"
          word="On to that number"
          read={(text) => forwardableNumber(text, office, personId)}
          onTake={(to) => take(forwardTo(to, office.plan))}
        />
      </View>
    </Sheet>
  );
}
