import { useEffect, useRef, useState } from 'react';
import {
  Platform,
  type LayoutChangeEvent,
  type NativeScrollEvent,
  type NativeSyntheticEvent,
  type ScrollView,
} from 'react-native';

const offsets = new Map<string, number>();
/** Set by the browser's back and forward; a link begins at the top. */
let isReturn = false;

if (Platform.OS === 'web')
  window.addEventListener('popstate', () => {
    isReturn = true;
    setTimeout(() => (isReturn = false), 2000);
  });

/** Where a screen was scrolled to, found again by the browser's back. */
export function useKeptScroll() {
  const scroll = useRef<ScrollView>(null);
  const [address] = useState(() => (Platform.OS === 'web' ? window.location.href : ''));
  const wanted = useRef(isReturn ? (offsets.get(address) ?? 0) : 0);
  const seen = useRef(0);
  useEffect(() => () => void (wanted.current = 0), []);
  return {
    ref: scroll,
    onLayout: ({ nativeEvent }: LayoutChangeEvent): void => {
      seen.current = nativeEvent.layout.height;
    },
    onScroll: ({ nativeEvent }: NativeSyntheticEvent<NativeScrollEvent>): void => {
      // On the way back down the page is too short at first: that is nobody's place.
      if (wanted.current === 0) offsets.set(address, nativeEvent.contentOffset.y);
    },
    // The content comes piece by piece: down as far as it goes, until there is enough of it.
    onContentSizeChange: (_width: number, height: number): void => {
      if (wanted.current === 0) return;
      scroll.current?.scrollTo({ y: wanted.current, animated: false });
      if (height >= wanted.current + seen.current && seen.current > 0) wanted.current = 0;
    },
    onWheel: (): void => void (wanted.current = 0),
    onTouchStart: (): void => void (wanted.current = 0),
  };
}
