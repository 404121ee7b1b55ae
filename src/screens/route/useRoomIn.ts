import { useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** How wide something is, in whole pixels; null until that is known. */
export function useRoomIn() {
  const [room, setRoom] = useState<number | null>(null);
  return {
    room,
    onLayout: ({ nativeEvent }: LayoutChangeEvent) => setRoom(Math.floor(nativeEvent.layout.width)),
  };
}
