import { forwardRef, useId } from 'react';
import { StyleSheet, TextInput, View, type KeyboardTypeOptions } from 'react-native';

import { Txt } from '../text';
import { corner, fonts, space, target, themed, useTheme } from '../tokens';

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    field: {
      minHeight: target + 4,
      borderWidth: 1,
      borderColor: colours.edge,
      borderRadius: corner,
      backgroundColor: colours.sheet,
      paddingHorizontal: space.m,
      paddingVertical: space.s,
      fontFamily: fonts.text,
      fontSize: size(17),
      color: colours.ink,
      width: '100%',
    },
    number: { fontFamily: fonts.mono, fontSize: size(18) },
    wrong: { borderColor: colours.rowan, borderWidth: 2 },
    label: { marginBottom: space.xs },
    error: { marginTop: space.xs },
  }),
);

interface FieldProps {
  label: string;
  /** Keeps the label for those who listen, where the place already says what it is. */
  hideLabel?: boolean;
  value: string;
  onChange: (value: string) => void;
  onSubmit?: () => void;
  /** The focus goes elsewhere. */
  onLeave?: () => void;
  placeholder?: string;
  error?: string | null;
  /** Figures are set in the monospaced face. */
  numeric?: boolean;
  keyboard?: KeyboardTypeOptions;
  /** Not shown as it is typed. `new`: it is thought of here. */
  secret?: 'known' | 'new';
  autoFocus?: boolean;
  /** Room for so many lines of text; left out: one. */
  lines?: number;
}

/** A field to fill in; what is wrong with it is said beneath it. */
export const Field = forwardRef<TextInput, FieldProps>(function Field(
  {
    label,
    hideLabel,
    value,
    onChange,
    onSubmit,
    onLeave,
    placeholder,
    error,
    numeric,
    keyboard,
    secret,
    autoFocus,
    lines,
  },
  ref,
) {
  const styles = useStyles();
  const { colours } = useTheme();
  const errorId = useId();
  return (
    <View>
      {hideLabel ? null : (
        <Txt as="small" style={styles.label}>
          {label}
        </Txt>
      )}
      <TextInput
        ref={ref}
        aria-label={label}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? errorId : undefined}
        value={value}
        onChangeText={onChange}
        onSubmitEditing={onSubmit}
        onBlur={onLeave}
        submitBehavior={lines === undefined ? 'submit' : 'newline'}
        placeholder={placeholder}
        placeholderTextColor={colours.faint}
        keyboardType={keyboard}
        autoFocus={autoFocus}
        multiline={lines !== undefined}
        numberOfLines={lines}
        secureTextEntry={secret !== undefined}
        autoComplete={secret === undefined ? 'off' : secret === 'new' ? 'new-password' : 'current-password'}
        autoCorrect={false}
        autoCapitalize="none"
        spellCheck={false}
        style={[styles.field, numeric && value !== '' && styles.number, error ? styles.wrong : null]}
      />
      {error ? (
        <View nativeID={errorId} role="alert" style={styles.error}>
          <Txt as="small" colour={colours.rowan}>
            {error}
          </Txt>
        </View>
      ) : null}
    </View>
  );
});
