import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { z } from 'zod';

import { actDone, useAppDispatch, useAppSelector } from '@/state/app';
import { selectMyPin, setPin } from '@/state/access';
import { Problem } from '@/ui/notice';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { FormLine } from '../shared/FormLine';

const formSchema = z
  .object({ before: z.string(), pin: z.string().min(1, 'Type 4 to 8 figures.'), again: z.string() })
  .refine(({ pin, again }) => pin === again, { path: ['again'], message: 'That is not the same as above.' });
type Form = z.infer<typeof formSchema>;

/** A PIN of one's own; the one before says that it is me. What is wrong with it the office says. */
export function PinSheet({ onClose }: { onClose: () => void }) {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const mine = useAppSelector(selectMyPin);
  // It is another kind the moment it is kept.
  const [had] = useState(mine);
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const { control, handleSubmit } = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues: { before: '', pin: '', again: '' },
  });
  const keep = async ({ before, pin }: Form) => {
    setBusy(true);
    const said = await dispatch(setPin(pin, had === 'own' ? before : null));
    setBusy(false);
    setProblem(said);
    if (said !== null) return;
    dispatch(actDone(had === 'own' ? 'Your PIN is changed.' : 'Your PIN is kept.'));
    onClose();
  };
  const submit = () => void handleSubmit(keep)();
  return (
    <Sheet title={had === 'own' ? 'Change your PIN' : 'Choose your PIN'} onClose={onClose}>
      <View style={styles.body}>
        <Txt colour={colours.faint}>
          4 to 8 figures: not your extension, nor the end of one of your numbers, nor a row like 1234.
        </Txt>
        {had === 'own' ? (
          <FormLine control={control} name="before" label="The PIN you have" secret="known" isNumber />
        ) : null}
        <FormLine control={control} name="pin" label="New PIN" secret="new" isNumber />
        <FormLine
          control={control}
          name="again"
          label="The same again"
          secret="new"
          isNumber
          onSubmit={submit}
        />
        {problem === null ? null : <Problem sentence={problem} />}
        <Plate kind="main" word={isBusy ? 'Keeping …' : 'Keep this PIN'} disabled={isBusy} onPress={submit} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ body: { gap: space.m } });
