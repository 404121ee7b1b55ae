import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { whyNotSentTo, type Target } from '@/core/calls/exchange';
import {
  explainRefusal,
  nameOfCall,
  placeCall,
  selectOffice,
  send,
  sendAndSay,
  transfer,
  useAppDispatch,
  useAppSelector,
  useNow,
  useForecast,
  type CallView,
} from '@/state/app';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Gauge, Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { BandScale } from '@/ui/scale';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { namesAreAway } from '../../shared/useFound';
import { usePresence, type PresenceWords } from '../../shared/usePresence';
import { useTypedAhead } from '../typedAhead';
import { bandsOf, type Purpose } from './forecast';
import { RefusalLine } from './RefusalLine';
import { useAnswering } from './useAnswering';
import { useTargets, type TargetChoice } from './useTargets';

const titles = {
  transfer: (name: string) => `Transfer ${name} to`,
  add: () => 'Add to the call',
  passOn: (name: string) => `Pass ${name} on to`,
} as const;

interface TargetSheetProps {
  view: CallView;
  purpose: Purpose;
  onClose: () => void;
}

const nobodyYet = {
  idle: 'Nobody yet.',
  finding: 'Looking …',
  away: namesAreAway,
  found: 'Nobody by that name.',
} as const;

/** Finds whom the call should go to, says where it would end up, and then does it. */
export function TargetSheet({ view, purpose, onClose }: TargetSheetProps) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const [text, setText] = useState(useTypedAhead());
  const [chosen, setChosen] = useState<TargetChoice | null>(null);
  const { found, typed, first, state, error } = useTargets(text, view);
  const [refused, setRefused] = useState<string | null>(null);
  const presenceOf = usePresence();
  const submit = async () => {
    const target = await first();
    if (target === 'changed') return;
    if ('nobody' in target) setRefused(target.nobody);
    else setChosen(target);
  };
  const letComeIn = async () => {
    const result = await dispatch(
      send({ type: 'invite', legId: view.me.legId, purpose: 'join', toPersonId: null }),
    );
    if (result?.ok) onClose();
  };
  const title = titles[purpose](nameOfCall(view));
  const answering = useAnswering(view, purpose === 'passOn');
  if (chosen) {
    return (
      <Sheet title={title} onClose={onClose} {...answering}>
        <ChosenTarget {...{ view, purpose, onClose }} target={chosen} onOther={() => setChosen(null)} />
      </Sheet>
    );
  }
  return (
    <Sheet title={title} onClose={onClose} {...answering}>
      <View style={styles.stack}>
        <Field
          label="Name, extension or number"
          value={text}
          onChange={(typedNow) => {
            setText(typedNow);
            setRefused(null);
          }}
          onSubmit={() => void submit()}
          error={refused ?? error}
          autoFocus
        />
        {typed ? (
          <Row
            title={typed.name}
            detail={typed.detail}
            onPress={() => setChosen(typed)}
            before={<Initials name={typed.name} />}
          />
        ) : null}
        {purpose === 'add' && text === '' ? (
          <Plate word="Let somebody join by a code" onPress={() => void letComeIn()} />
        ) : null}
        {text === '' || found.length > 0 ? (
          <Txt as="small">{text === '' ? 'Colleagues and the latest' : 'Found'}</Txt>
        ) : null}
        {found.length === 0 && !typed ? <Txt colour={colours.faint}>{nobodyYet[state]}</Txt> : null}
        {found.map((target) => (
          <Row
            key={target.to}
            title={target.name}
            detail={target.detail}
            onPress={() => setChosen(target)}
            before={<Initials name={target.name} />}
            after={target.personId === null ? null : <Status presence={presenceOf(target.personId)} />}
          />
        ))}
      </View>
    </Sheet>
  );
}

function Status({ presence: { gauge, word } }: { presence: PresenceWords }) {
  return (
    <View style={styles.status}>
      <Gauge state={gauge} />
      <Txt as="small">{word}</Txt>
    </View>
  );
}

interface ChosenTargetProps extends TargetSheetProps {
  target: TargetChoice;
  onOther: () => void;
}

/** Who was chosen, and their seconds: the place where the call is to go is tapped on them. */
function ChosenTarget({ view, purpose, target, onOther, onClose }: ChosenTargetProps) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const now = useNow(60_000);
  const forecast = useForecast(target.to, now);
  const presence = usePresence()(target.personId ?? '');
  const { legId } = view.me;
  const office = useAppSelector(selectOffice);
  const refusal = whyNotSentTo(office, view.call, legId, target.to, now);
  const closing = async (done: Promise<boolean>) => {
    if (await done) onClose();
  };
  const sendTo = (to: Target) => {
    const ways = {
      transfer: () => dispatch(transfer(view, to, target.name)),
      add: () => dispatch(sendAndSay({ type: 'add', legId, to: target.to }, `Calling ${target.name} in.`)),
      passOn: () =>
        dispatch(sendAndSay({ type: 'deflect', legId, target: to }, `Passed on to ${target.name}.`)),
    };
    void closing(ways[purpose]());
  };
  const talkFirst = () => void closing(dispatch(placeCall(target.to, { consultationFor: legId })));
  const giveCode = async () => {
    const result = await dispatch(
      send({ type: 'invite', legId, purpose: 'takeOver', toPersonId: target.personId }),
    );
    return result?.ok ?? false;
  };
  const returnSeconds = office.setup.policies.transferReturnSeconds;
  const { bands, totalSeconds } = bandsOf(
    {
      view,
      purpose,
      target,
      forecast,
      returnSeconds,
      obstacle: refusal && explainRefusal(refusal),
      me: 'With you',
    },
    { talkFirst, sendTo },
  );
  return (
    <View style={styles.stack}>
      <View style={styles.who}>
        <Initials name={target.name} />
        <View style={styles.grow}>
          <Txt as="heading" level={3}>
            {target.name}
          </Txt>
          <Txt as="small">{target.detail}</Txt>
        </View>
        {target.personId ? <Status presence={presence} /> : null}
      </View>
      <RefusalLine />
      <BandScale bands={bands} totalSeconds={totalSeconds} />
      {purpose === 'transfer'
        ? whatIsSpecial(view).map((sentence) => (
            <Txt key={sentence} as="small" colour={colours.faint}>
              {sentence}
            </Txt>
          ))
        : null}
      <View style={styles.others}>
        <Plate word="Somebody else" onPress={onOther} style={styles.grow} />
        {purpose === 'transfer' && target.personId ? (
          <Plate word="By a code" label={`By a code: ${byCode}`} onPress={() => void closing(giveCode())} />
        ) : null}
      </View>
      {purpose === 'transfer' && target.personId ? <Txt as="small">{`By a code: ${byCode}`}</Txt> : null}
    </View>
  );
}

const byCode = 'you read it out, and whoever dials it in the office takes the call over.';

/** What a transfer means for a call that is held, or recorded. */
function whatIsSpecial({ phase, recording }: CallView): string[] {
  const sentences: string[] = [];
  if (phase === 'held') sentences.push('They are on hold; once sent on, they hear ringing instead of music.');
  if (recording && recording.state !== 'ended')
    sentences.push('Your recording ends when you leave the call, and is kept.');
  return sentences;
}

const styles = StyleSheet.create({
  stack: { gap: space.m },
  status: { alignItems: 'center' },
  who: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  others: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  grow: { flex: 1, minWidth: 0 },
});
