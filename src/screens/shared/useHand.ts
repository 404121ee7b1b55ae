import { StyleSheet } from 'react-native';

import { useAppSelector } from '@/state/app';

const left = StyleSheet.create({ row: { flexDirection: 'row-reverse' } });

/** For acts that stand beside each other: the main one, their last, lies under the thumb that somebody uses. */
export const useHand = () => (useAppSelector(({ settings }) => settings.hand) === 'left' ? left.row : null);
