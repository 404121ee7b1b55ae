import { StyleSheet, View } from 'react-native';

import { originOf } from '@/core/people/upkeep';
import { officeSource, ownSource, type Field, type JoinedContact } from '@/core/people/contacts';
import {
  selectWrite,
  type Write,
  useAppDispatch,
  useAppSelector,
  useAppStore,
  useServices,
} from '@/state/app';
import { giveBack, isOwnContact, joinsOf, takeBackJudgement } from '@/state/people';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { writtenNumber } from '../shared/useFound';
import { useGo } from '../shared/useGo';
import { Photo } from './Photo';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    stack: { gap: space.m },
    field: { gap: space.xs, paddingBottom: space.s, borderBottomWidth: 1, borderColor: colours.rule },
    plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

const shown: readonly { field: Field; word: string; of: (contact: JoinedContact, write: Write) => string }[] =
  [
    { field: 'name', word: 'Name', of: ({ name }) => name },
    { field: 'firm', word: 'Firm', of: ({ firm }) => firm ?? '' },
    {
      field: 'numbers',
      word: 'Numbers',
      of: ({ numbers }, write) =>
        numbers.map((each) => `${each.label} ${writtenNumber(each, write)}`).join('\n'),
    },
    { field: 'mails', word: 'Mail', of: ({ mails }) => mails.join('\n') },
    { field: 'places', word: 'Addresses', of: ({ places }) => places.join('\n') },
    { field: 'groups', word: 'Groups', of: ({ groups }) => groups.join(', ') },
    { field: 'note', word: 'Note', of: ({ note }) => note },
  ];

interface DetailsSheetProps {
  contact: JoinedContact;
  onRemove: () => void;
  onClose: () => void;
}

/** All that is known of a contact, and of each part where it comes from. */
export function DetailsSheet({ contact, onRemove, onClose }: DetailsSheetProps) {
  const styles = useStyles();
  const go = useGo();
  const write = useAppSelector(selectWrite);
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const { books } = useServices();
  const changes = useAppSelector((state) => state.inbox.kept.changes[contact.id]);
  const part = () => {
    for (const { id } of joinsOf(store.getState(), contact)) dispatch(takeBackJudgement(id));
    onClose();
  };
  return (
    <Sheet title={contact.name} onClose={onClose}>
      <View style={styles.stack}>
        {contact.photo === null ? null : <Photo photo={contact.photo} size={120} />}
        {shown.map(({ field, word, of }) => {
          const text = of(contact, write);
          const origin = originOf(contact, field, changes);
          if (text === '' && !origin.isChanged) return null;
          return (
            <View key={field} style={styles.field}>
              <Txt as="small">{`${word}, ${originWords(origin.isChanged, origin.sourceIds, books)}`}</Txt>
              <Txt>{text === '' ? 'removed' : text}</Txt>
              {origin.isChanged ? (
                <Plate
                  word="Reset"
                  label={`Reset: ${word.toLowerCase()}`}
                  onPress={() => dispatch(giveBack(contact.id, field))}
                />
              ) : null}
            </View>
          );
        })}
        <View style={styles.plates}>
          <Plate
            kind="main"
            word="Change"
            onPress={() => {
              onClose();
              go.editContact(contact.id);
            }}
          />
          {contact.cards.length > 1 ? <Plate word="Split them again" onPress={part} /> : null}
          {isOwnContact(contact) ? <Plate word="Remove from the directory" onPress={onRemove} /> : null}
        </View>
      </View>
    </Sheet>
  );
}

type Books = ReturnType<typeof useServices>['books'];

function originWords(isChanged: boolean, sourceIds: readonly string[], books: Books): string {
  if (isChanged) return 'changed by you';
  const names = sourceIds.map((id) => sourceName(id, books));
  return names.length === 0 ? 'from nowhere' : `from ${names.join(' and ')}`;
}

/** "the customer list"; what the worker wrote, and what the office has. */
function sourceName(id: string, books: Books): string {
  if (id === ownSource) return 'what you wrote or brought in';
  if (id === officeSource) return 'the office';
  const name = books.get(id)?.name ?? id;
  return `the ${name.charAt(0).toLowerCase()}${name.slice(1)}`;
}
