import { View } from 'react-native';
import { fastenerSide } from '@stennet/core/drawing';
import type { Group } from '@stennet/core/procedure';
import { DrawingView } from './DrawingView';
import { Line } from './Section';

/** Where what goes on a fastener: hatched at its place, and in words. */
export function CompoundsView({ group }: { group: Group }) {
  const { drawing, words } = fastenerSide(group);
  return (
    <View style={{ gap: 2 }}>
      <DrawingView drawing={drawing} label={words.join('; ')} width={180} height={60} />
      {words.map((w) => (
        <Line key={w}>{w}</Line>
      ))}
    </View>
  );
}
