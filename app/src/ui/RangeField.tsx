import { createElement } from 'react';
import { View } from 'react-native';
import { useInks } from './theme';

/** A slider over whole steps, by finger, mouse or arrow keys. */
export function RangeField({
  label,
  value,
  max,
  said,
  onChange,
}: {
  label: string;
  value: number;
  max: number;
  /** What a screen reader says of where it is. */
  said: string;
  onChange: (value: number) => void;
}) {
  const inks = useInks();
  return (
    <View style={{ flex: 1, minHeight: 48, justifyContent: 'center' }}>
      {createElement('input', {
        type: 'range',
        min: 0,
        max,
        step: 1,
        value,
        'aria-label': label,
        'aria-valuetext': said,
        onChange: (e: { target: { value: string } }) => onChange(Number(e.target.value)),
        style: { width: '100%', height: 48, accentColor: inks.brand },
      })}
    </View>
  );
}
