import { Suspense, useState, type ReactNode } from 'react';
import { View } from 'react-native';

/**
 * A chart as one picture with its words: what is inside it is neither read out nor reached by keys.
 */
export function ChartFrame({
  label,
  height,
  children,
}: {
  label: string;
  /** With its axes: kept free while the first one is loaded, so that nothing below it moves. */
  height: number;
  children: (width: number) => ReactNode;
}) {
  const [width, setWidth] = useState(0);
  // The charts scroll by themselves inside and would take the focus.
  const keepOut = (view: View | null): void =>
    (view as unknown as HTMLElement | null)?.setAttribute('inert', '');
  return (
    <View
      role="img"
      aria-label={label}
      style={{ minHeight: height }}
      onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
    >
      {width === 0 ? null : (
        <View ref={keepOut}>
          <Suspense fallback={null}>{children(width)}</Suspense>
        </View>
      )}
    </View>
  );
}
