import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { Target } from '@/core/exchange';
import {
  nameOfCall,
  placeCall,
  selectOutlook,
  send,
  sendAndSay,
  transfer,
  useAppDispatch,
  useAppSelector,
  useNow,
  type CallView,
  type Outlook,
} from '@/state/app';
import { Field } from '@/ui/field';
import { Row } from '@/ui/list';
import { Gauge, Initials } from '@/ui/person';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { usePresence, type PresenceWords } from '../../shared/usePresence';
import { RefusalLine } from './RefusalLine';
import { useTargets, type TargetChoice } from './useTargets';

const titles = {
  transfer: (name: string) => `Transfer ${name} to`,
  add: () => 'Add to the call',
  passOn: (name: string) => `Pass ${name} on to`,
} as const;

interface TargetSheetProps {
  view: CallView;
  purpose: keyof typeof titles;
  onClose: () => void;
}

/** Finds whom the call should go to, says where it would end up, and then does it. */
export function TargetSheet({ view, purpose, onClose }: TargetSheetProps) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<TargetChoice | null>(null);
  const { found, typed, first, error } = useTargets(text, view);
  const presenceOf = usePresence();
  const submit = async () => setChosen(await first());
  const letComeIn = async () => {
    const result = await dispatch(
      send({ type: 'invite', legId: view.me.legId, purpose: 'join', toPersonId: null }),
    );
    if (result?.ok) onClose();
  };
  const title = titles[purpose](nameOfCall(view));
  if (chosen) {
    return (
      <Sheet title={title} onClose={onClose}>
        <ChosenTarget {...{ view, purpose, onClose }} target={chosen} onOther={() => setChosen(null)} />
      </Sheet>
    );
  }
  return (
    <Sheet title={title} onClose={onClose}>
      <View style={styles.stack}>
        <Field
          label="Name, extension or number"
          value={text}
          onChange={setText}
          onSubmit={() => void submit()}
          error={error}
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
          <Plate word="Let them come in by a code" onPress={() => void letComeIn()} />
        ) : null}
        <Txt as="small">{text === '' ? 'Colleagues and the latest' : 'Found'}</Txt>
        {found.length === 0 && !typed ? <Txt colour={colours.faint}>Nobody of that name.</Txt> : null}
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

/** Who was chosen, where the call would end up, and the ways to send it there. */
function ChosenTarget({ view, purpose, target, onOther, onClose }: ChosenTargetProps) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const now = useNow(60_000);
  const outlook = useAppSelector((state) => selectOutlook(state, target.to, now), isSame);
  const presence = usePresence()(target.personId ?? '');
  const { legId } = view.me;
  const closing = async (done: Promise<boolean>) => {
    if (await done) onClose();
  };
  const sendTo = (to: Target) => void closing(dispatch(transfer(view, to, target.name)));
  const number: Target = { kind: 'number', to: target.to };
  const mailbox: Target | null = target.personId ? { kind: 'mailbox', personId: target.personId } : null;
  const talkFirst = () => void closing(dispatch(placeCall(target.to, legId)));
  const passOn = (to: Target) =>
    void closing(
      dispatch(sendAndSay({ type: 'deflect', legId, target: to }, `Passed on to ${target.name}.`)),
    );
  const askToTakeOver = async (toPersonId: string | null) => {
    const result = await dispatch(send({ type: 'invite', legId, purpose: 'takeOver', toPersonId }));
    return result?.ok ?? false;
  };
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
      <Txt>{purpose === 'transfer' ? outlook.sent : outlook.called}</Txt>
      <RefusalLine />
      {purpose === 'transfer' ? (
        <>
          <Plate kind="main" large word="Talk first" onPress={talkFirst} />
          <Plate large word="Send at once" onPress={() => sendTo(number)} />
          {mailbox ? <Plate word="Into their mailbox" onPress={() => sendTo(mailbox)} /> : null}
          {target.personId ? (
            <Plate
              word="Ask them to take over by a code"
              onPress={() => void closing(askToTakeOver(target.personId))}
            />
          ) : null}
          {whatIsSpecial(view, target.name).map((sentence) => (
            <Txt key={sentence} as="small" colour={colours.faint}>
              {sentence}
            </Txt>
          ))}
        </>
      ) : null}
      {purpose === 'add' ? (
        <>
          <Plate kind="main" large word="Talk first, then all together" onPress={talkFirst} />
          <Plate
            large
            word="Ask them in now"
            onPress={() =>
              void closing(
                dispatch(sendAndSay({ type: 'add', legId, to: target.to }, `Calling ${target.name} in.`)),
              )
            }
          />
        </>
      ) : null}
      {purpose === 'passOn' ? (
        <>
          <Plate kind="main" large word={`Pass on to ${target.name}`} onPress={() => passOn(number)} />
          {mailbox ? <Plate word="Into their mailbox" onPress={() => passOn(mailbox)} /> : null}
        </>
      ) : null}
      <Plate word="Somebody else" onPress={onOther} />
    </View>
  );
}

const isSame = (a: Outlook, b: Outlook) => a.called === b.called && a.sent === b.sent;

/** What a transfer means for a call that is held, of several people, or recorded. */
function whatIsSpecial({ phase, others, recording }: CallView, targetName: string): string[] {
  const sentences: string[] = [];
  if (others.length > 1)
    sentences.push(`The ${others.length} others stay together, and ${targetName} is asked in.`);
  if (phase === 'held')
    sentences.push('They are held now; sent at once, they hear ringing instead of music.');
  if (recording && recording.state !== 'ended')
    sentences.push('Your recording ends when you leave the call, and is kept.');
  return sentences;
}

const styles = StyleSheet.create({
  stack: { gap: space.m },
  status: { alignItems: 'center' },
  who: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  grow: { flex: 1, minWidth: 0 },
});
