import { base64ToUint8Array } from 'uint8array-extras';
import { useCallback, useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { signatureHolds } from '@/core/inbox/notifications';
import { actDone, selectMyId, useAppDispatch, useAppSelector } from '@/state/app';
import {
  seeMails,
  seeWebhooks,
  setWebhookAnswer,
  webhookDoor,
  type ReceivedMail,
  type ReceivedWebhook,
} from '@/state/telling';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed, useTheme } from '@/ui/tokens';

import { saveBlob } from '../shared/files';
import { Section } from './Section';

const lookMs = 2_000;
const takes = '204';
const answers = [
  { value: takes, word: 'takes everything' },
  { value: '503', word: 'is down (503)' },
  { value: '410', word: 'wants no more (410)' },
];

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    one: { gap: space.xs, padding: space.m, borderWidth: 1, borderColor: colours.edge },
    files: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

/** Mail and webhooks as they arrive at those who are told. */
export function Received() {
  const destinations = useAppSelector((state) => state.inbox.kept.destinations);
  const myId = useAppSelector(selectMyId);
  const places = Object.values(destinations).map(({ place }) => place);
  const addresses = places.flatMap((place) => (place.kind === 'mail' ? [place.address] : []));
  const secrets = places.flatMap((place) => (place.kind === 'webhook' ? [place.secret] : []));
  const [mails, setMails] = useState<readonly ReceivedMail[]>([]);
  const [hooks, setHooks] = useState<readonly ReceivedWebhook[]>([]);
  const [isAway, setAway] = useState(false);
  const asked = addresses.join();
  const look = useCallback(async () => {
    const [mail, hook] = await Promise.all([seeMails(asked.split(',')), seeWebhooks(myId)]);
    setAway(!mail.ok && !hook.ok);
    if (mail.ok) setMails(mail.value);
    if (hook.ok) setHooks(hook.value);
  }, [asked, myId]);
  useEffect(() => {
    void look();
    const timer = setInterval(() => void look(), lookMs);
    return () => clearInterval(timer);
  }, [look]);
  return (
    <>
      <Section title="Mail that arrived" sentence="At the addresses that are told (Office, Told elsewhere).">
        {isAway ? <Txt as="small">The office’s server can’t be reached.</Txt> : null}
        {mails.length === 0 ? <Txt as="small">None yet.</Txt> : null}
        {mails.map((mail, index) => (
          <Mail key={`${mail.at}-${index}`} mail={mail} />
        ))}
      </Section>
      <Program name={myId} hooks={hooks} secrets={secrets} />
    </>
  );
}

function Mail({ mail }: { mail: ReceivedMail }) {
  const styles = useStyles();
  return (
    <View style={styles.one} role="article" aria-label={`Mail: ${mail.subject}`}>
      <Txt as="small">{`To ${mail.to}`}</Txt>
      <Txt as="strong">{mail.subject}</Txt>
      <Txt>{mail.text.trim()}</Txt>
      <View style={styles.files}>
        {mail.files.map((file) => (
          <Plate key={file.name} word={`Save ${file.name}`} onPress={() => void save(file)} />
        ))}
      </View>
    </View>
  );
}

async function save({ name, contentType, base64: text }: ReceivedMail['files'][number]): Promise<void> {
  const bytes = base64ToUint8Array(text);
  saveBlob(name, new Blob([bytes as BlobPart], { type: contentType }));
}

interface ProgramProps {
  name: string;
  hooks: readonly ReceivedWebhook[];
  secrets: readonly string[];
}

function Program({ name, hooks, secrets }: ProgramProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const [answer, setAnswer] = useState(takes);
  const door = webhookDoor(name);
  const copy = async () => {
    await navigator.clipboard?.writeText(door);
    dispatch(actDone('The address is copied.'));
  };
  return (
    <Section title="A program that is told" sentence="Its web address, to be given to Told elsewhere:">
      <Txt as="mono">{door}</Txt>
      <Plate word="Copy the address" onPress={() => void copy()} />
      <Choice
        asStrip
        label="The program"
        value={answer}
        options={answers}
        onChoose={(status) => {
          setAnswer(status);
          void setWebhookAnswer(name, Number(status));
        }}
      />
      {hooks.map((hook, index) => {
        const holds = secrets.some((secret) => signatureHolds(secret, hook, hook.at / 1000));
        return (
          <View
            key={`${hook.at}-${index}`}
            style={styles.one}
            role="article"
            aria-label={`Webhook ${hook.id}`}
          >
            <Txt as="strong">{typeOf(hook.body)}</Txt>
            <Txt as="small" colour={holds ? colours.moss : colours.rowan}>
              {holds ? 'The signature is valid.' : 'The signature is not valid.'}
            </Txt>
            <Txt as="small">{`Answered ${hook.status}`}</Txt>
            <Txt as="mono" lines={8}>
              {shortened(hook.body)}
            </Txt>
          </View>
        );
      })}
    </Section>
  );
}

const longestShown = 600;
const shortened = (body: string) =>
  body.replace(/"base64":"([^"]{20})[^"]+"/, '"base64":"$1…"').slice(0, longestShown);

function typeOf(body: string): string {
  try {
    return String((JSON.parse(body) as { type?: unknown }).type);
  } catch {
    return 'No JSON';
  }
}
