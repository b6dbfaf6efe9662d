import type { StyleProp, ViewStyle } from 'react-native';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { iconPaths } from './icons.gen';

interface PaperIconProps {
  name: string;
  size?: number;
  color?: string;
  style?: StyleProp<ViewStyle>;
  testID?: string;
}

/** Stands in for the icon font that Paper's components ask for; a build alias puts it there. */
export default function PaperIcon({ name, size = 24, color = '#000', testID }: PaperIconProps) {
  return (
    <View aria-hidden testID={testID} style={{ width: size, height: size }}>
      <Svg width={size} height={size} viewBox="0 0 24 24">
        <Path d={iconPaths[name] ?? 'M3 3h18v18H3z'} fill={color} />
      </Svg>
    </View>
  );
}
