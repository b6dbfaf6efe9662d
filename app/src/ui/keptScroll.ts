import { useEffect, useRef, useState } from 'react';
import {
  Platform,
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
  useEffect(() => () => void (wanted.current = 0), []);
  return {
    ref: scroll,
    onScroll: (event: NativeSyntheticEvent<NativeScrollEvent>): void => {
      offsets.set(address, event.nativeEvent.contentOffset.y);
    },
    // The content comes piece by piece: as soon as there is enough of it.
    onContentSizeChange: (_width: number, height: number): void => {
      if (wanted.current === 0 || height < wanted.current) return;
      scroll.current?.scrollTo({ y: wanted.current, animated: false });
      wanted.current = 0;
    },
  };
}
